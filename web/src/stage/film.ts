/** A film with no picture in it is shorter than this, bytes. */
const HEAD_ALONE = 400

/** A film that is being made. */
export interface Film {
  /** Takes the picture that was just drawn: what light is drawn on is gone after its task. */
  take: () => void
  /** Ends it; nothing where it was too short for any picture. */
  end: () => Promise<Blob | undefined>
}

/** Films a canvas from now on; nothing where the browser cannot. */
export function filmOf(canvas: HTMLCanvasElement): Film | undefined {
  const copy = document.createElement('canvas')
  Object.assign(copy, { width: canvas.width, height: canvas.height })
  const context = copy.getContext('2d')
  if (!context || typeof MediaRecorder === 'undefined') return undefined
  const stream = copy.captureStream(60)
  const recorder = new MediaRecorder(stream, { videoBitsPerSecond: 12_000_000 })
  const pieces: Blob[] = []
  recorder.ondataavailable = ({ data }) => pieces.push(data)
  recorder.start()
  return {
    take: () => context.drawImage(canvas, 0, 0, copy.width, copy.height),
    end: () =>
      new Promise((resolve) => {
        recorder.onstop = () => {
          stream.getTracks().forEach((track) => track.stop())
          const film = new Blob(pieces, { type: recorder.mimeType })
          resolve(film.size < HEAD_ALONE ? undefined : film)
        }
        recorder.stop()
      }),
  }
}

/** Returns the end of the name of a film's file. */
export const ending = (film: Blob) => (film.type.includes('mp4') ? 'mp4' : 'webm')
