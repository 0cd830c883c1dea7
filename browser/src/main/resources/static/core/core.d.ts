/** Loads a core: everything that it can be asked, by name. */
export function open(bytes: BufferSource): Promise<Record<string, (...given: unknown[]) => unknown>>
