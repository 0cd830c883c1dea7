import { subjectOf } from '../project/names'
import type { EventType, Payload, Vector } from '../api/bundle'
import type { Outlines, PlaceGrip } from '../stage/outlines'

/** Whom an event is about, and which of its fields says where that is; nothing where none does. */
export function whereOf({ name, fields }: EventType): { subject: string; field: string } | undefined {
  const field = fields?.find((f) => f.type === 'position')?.name
  return field === undefined ? undefined : { subject: subjectOf(name), field }
}

/** The subjects that events place, each where the usual payload of the first of its events has it. */
export function subjectsOf(events: readonly { event: EventType; usual: Payload }[]): Map<string, Vector> {
  const all = new Map<string, Vector>()
  for (const { event, usual } of events) {
    const where = whereOf(event)
    const place = where && usual[where.field]
    if (where && Array.isArray(place) && !all.has(where.subject)) all.set(where.subject, place as Vector)
  }
  return all
}

/** What an event says of where its subject was put; nothing where nobody put it anywhere. */
export function placedAt(event: EventType, put: ReadonlyMap<string, Vector>): Payload | undefined {
  const where = whereOf(event)
  const place = where && put.get(where.subject)
  return place && { [where.field]: place }
}

/** Subjects as grips on the stage. */
export function grips(places: ReadonlyMap<string, Vector>): Outlines {
  return {
    outlines: [],
    grips: [...places].map(([subject, at]): PlaceGrip => ({
      path: subject,
      label: subject,
      named: true,
      at,
      back: (place) => place.map((v) => Math.round(v * 100) / 100) as Vector,
    })),
  }
}
