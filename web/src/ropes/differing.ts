import type { Datum, EventType, Payload } from '../api/bundle'

/** Where an event happens changes nothing of its response. */
const PLACES = ['position']

/** Returns the fields in which one payload differs from another so that the response does too. */
export function differing(
  event: EventType,
  one: Payload,
  other: Payload,
): { name: string; value: Datum; unit?: string }[] {
  return event.fields.flatMap((f) => {
    const [a, b] = [one[f.name], other[f.name]]
    if (PLACES.includes(f.type) || a === undefined || b === undefined) return []
    if (JSON.stringify(a) === JSON.stringify(b)) return []
    return [{ name: f.name, value: a, unit: f.type === 'number' ? f.unit : undefined }]
  })
}
