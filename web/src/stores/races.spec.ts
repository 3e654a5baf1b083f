import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { used } from '../specs/served'
import { useClient } from './client'
import { useProgramme } from './programme'

/** A server whose answers arrive when the test says so, in any order. */
interface Waiting {
  method: string
  path: string
  body: string
  answer: (data: unknown, status?: number) => Promise<void>
}
let waiting: Waiting[] = []

function served(): void {
  waiting = []
  vi.stubGlobal('fetch', async (request: Request) => {
    const url = new URL(request.url, 'http://here')
    const body = request.method === 'GET' ? '' : await request.clone().text()
    return new Promise<Response>((resolve) => {
      waiting.push({
        method: request.method,
        path: url.pathname,
        body,
        answer: async (data, status = 200) => {
          resolve(new Response(JSON.stringify(data), { status, headers: { 'content-type': 'application/json' } }))
          await flushPromises()
          await flushPromises()
        },
      })
    })
  })
}
async function asked(method: string, ending: string): Promise<Waiting> {
  await vi.waitFor(() => {
    if (!waiting.some((w) => w.method === method && w.path.endsWith(ending)))
      throw new Error(`nobody asked ${method} …${ending}; waiting: ${waiting.map((w) => w.path).join()}`)
  })
  const at = waiting.findIndex((w) => w.method === method && w.path.endsWith(ending))
  return waiting.splice(at, 1)[0]
}
const view = (id: string, revision: number) => ({
  id,
  revision,
  digest: `${id}-${revision}`,
  case: { as_of: '2026-11-26', reviews: [] },
  screen: { stop_signs: [] },
  stations: [],
  ranges: [],
})
const verdicts = (id: string, revision: number) => ({
  client: id,
  revision,
  digest: `${id}-${revision}`,
  verdicts: [{ family: id, step: String(revision) }],
})
const programme = (id: string, number: number) => ({
  client: id,
  id: `${id}-p${number}`,
  number,
  context: 'home',
  answer: { movements: [] },
  violations: [],
  can_undo: false,
  can_redo: false,
})

async function opened(id: string, revision = 1): Promise<void> {
  const done = useClient().open(id)
  await (await asked('GET', `/clients/${id}`)).answer(view(id, revision))
  await done
}

beforeEach(() => {
  served()
  used(useClient)
})

describe('answers stay with the client that was asked about', () => {
  it('late verdicts of one client never appear under the next one', async () => {
    const client = useClient()
    await opened('a')
    client.judge()
    const late = await asked('GET', '/clients/a/verdicts')
    await opened('b')
    await late.answer(verdicts('a', 1))
    expect(client.verdicts).toBeUndefined()
    client.judge()
    await (await asked('GET', '/clients/b/verdicts')).answer(verdicts('b', 1))
    expect(client.verdicts?.map((v) => v.family)).toEqual(['b'])
  })

  it('verdicts of an earlier revision are dropped after a change', async () => {
    const client = useClient()
    await opened('a')
    client.judge()
    const late = await asked('GET', '/clients/a/verdicts')
    const kept = client.keep({ reviews: [] }, 'a change')
    await (await asked('PATCH', '/clients/a')).answer(view('a', 2))
    await kept
    await late.answer(verdicts('a', 1))
    expect(client.verdicts ?? []).toEqual([])
    await (await asked('GET', '/clients/a/verdicts')).answer(verdicts('a', 2))
    expect(client.verdicts?.map((v) => v.step)).toEqual(['2'])
  })

  it('an answer about another revision than the one on screen is not shown, and the client is asked anew', async () => {
    const client = useClient()
    await opened('a')
    client.judge()
    await (await asked('GET', '/clients/a/verdicts')).answer(verdicts('a', 2))
    expect(client.verdicts ?? []).toEqual([])
    await (await asked('GET', '/clients/a')).answer(view('a', 2))
    await (await asked('GET', '/clients/a/verdicts')).answer(verdicts('a', 2))
    expect(client.verdicts?.map((v) => v.step)).toEqual(['2'])
  })

  it('the client that was clicked last is the one that opens', async () => {
    const client = useClient()
    const first = client.open('a')
    const late = await asked('GET', '/clients/a')
    await opened('b')
    await late.answer(view('a', 1))
    await first
    expect(client.view?.id).toBe('b')
  })

  it('a change of one client that is answered late does not bring it back on screen', async () => {
    const client = useClient()
    await opened('a')
    const kept = client.keep({ reviews: [] }, 'a change')
    const late = await asked('PATCH', '/clients/a')
    await opened('b')
    await late.answer(view('a', 2))
    await kept
    expect(client.view?.id).toBe('b')
  })
})

describe('a programme stays with its client', () => {
  it('a programme of one client never opens in the next one, and edits go where the programme is from', async () => {
    const client = useClient()
    const plan = useProgramme()
    await opened('a')
    void plan.open().catch(() => undefined)
    const late = await asked('GET', '/clients/a/programmes/latest')
    await opened('b')
    await late.answer(programme('a', 3))
    expect(client.id).toBe('b')
    expect(plan.current).toBeUndefined()
  })

  it('a programme that is built late stays with the client it was built for', async () => {
    const plan = useProgramme()
    await opened('a')
    const built = plan.build('home', 25, [], [])
    const late = await asked('POST', '/clients/a/programmes')
    await opened('b')
    await late.answer(programme('a', 4), 201)
    await built
    expect(plan.current).toBeUndefined()
  })

  it('an edit that is answered late changes nothing on the next client', async () => {
    const plan = useProgramme()
    await opened('a')
    const opening = plan.open()
    await (await asked('GET', '/clients/a/programmes/latest')).answer(programme('a', 1))
    await opening
    expect(plan.current?.number).toBe(1)
    const edit = plan.edit({ kind: 'remove', ref: 'bridge/small_lift' })
    const late = await asked('POST', '/clients/a/programmes/latest/edit')
    expect(JSON.parse(late.body).base).toBe(1)
    await opened('b')
    await late.answer(programme('a', 2), 201)
    await edit
    expect(plan.current).toBeUndefined()
  })
})
