"""Three sensors beside the mat that do not exist: a cushion under the back, a breath belt, a tilt sensor on the pelvis.

`./sensors --script faulty` plays them to whoever connects on loopback, by the protocol of docs/sensors.md, with what is found in them.
"""

import argparse
import asyncio
import contextlib
import json
import sys
from typing import get_args

from websockets.asyncio.server import ServerConnection, serve
from websockets.exceptions import ConnectionClosed

from amvel.sensing.detectors import SAYS, Detectors
from amvel.sensing.simulated import Script, playing

LONGEST_S = 3600.0


async def play(to: ServerConnection, script: Script, seed: int, speed: float) -> None:
    """One trace from its beginning, at its own pace; every line as soon as it is due."""
    detectors, clock = Detectors(), asyncio.get_running_loop()
    begun = clock.time()
    with contextlib.suppress(ConnectionClosed):
        for reading in playing(script, LONGEST_S, seed):
            await asyncio.sleep(max(0.0, begun + reading.t_s / speed - clock.time()))
            await to.send(reading.line())
            for d in detectors.take(reading):
                await to.send(json.dumps({"detected": d.failure, "t_s": round(d.t_s, 3), "says": str(SAYS[d.failure])}))


async def run(port: int, script: Script, seed: int, speed: float) -> None:
    async with serve(lambda to: play(to, script, seed, speed), "127.0.0.1", port) as server:
        print(f"sensors: ws://127.0.0.1:{port} plays '{script}'", flush=True)
        await server.serve_forever()


def main() -> int:
    parser = argparse.ArgumentParser(prog="sensors", description=__doc__.splitlines()[0])
    parser.add_argument("--port", type=int, default=8331)
    parser.add_argument("--script", choices=get_args(Script), default="clean")
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--speed", type=float, default=1.0, help="how many times faster than life")
    args = parser.parse_args()
    if not (1024 <= args.port <= 65535 and 0 < args.speed <= 1000):
        parser.error("--port: 1024 to 65535; --speed: above 0, at most 1000")
    with contextlib.suppress(KeyboardInterrupt):
        asyncio.run(run(args.port, args.script, args.seed, args.speed))
    return 0


if __name__ == "__main__":
    sys.exit(main())
