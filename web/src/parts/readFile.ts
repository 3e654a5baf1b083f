/** A file that somebody chose, as JSON; none of it is believed here. */
export async function readJson(file: File): Promise<Record<string, unknown> | undefined> {
  try {
    const data: unknown = JSON.parse(await file.text())
    return typeof data === 'object' && data !== null && !Array.isArray(data) ? (data as Record<string, unknown>) : undefined
  } catch {
    return undefined
  }
}
