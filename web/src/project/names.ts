/** Returns whom an event is about, by its name: what stands before the point. */
export const subjectOf = (event: string) => event.split('.')[0]
