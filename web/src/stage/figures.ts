import type { Look } from '../../../browser/src/main/resources/static/game/link'
import type { Vector } from '../api/bundle'
import { inPicture, type Picture } from './framing'

export type { Look }

/** A subject of a game at a moment. */
export interface Figure {
  subject: string
  look: string
  place: Vector
  heading: Vector
}

/** A look, ready to be drawn. */
export interface Drawable {
  look: Look
  path?: Path2D
  image?: HTMLImageElement
}

/** Returns looks by their names, ready to be drawn; pictures are there once they are decoded. */
export function drawables(looks: readonly Look[], decoded: () => void): Map<string, Drawable> {
  return new Map(
    looks.map((look) => {
      const drawable: Drawable = { look }
      if (look.path) drawable.path = new Path2D(look.path)
      else if (look.png) {
        const image = new Image()
        image.onload = () => {
          drawable.image = image
          decoded()
        }
        image.src = `data:image/png;base64,${look.png}`
      }
      return [look.name, drawable]
    }),
  )
}

/** px */
const DOT = 3
const MARGIN = 200

/** Draws subjects as silhouettes over the light, through which it is still seen; those without a look as dots with their names. */
export function paintFigures(
  canvas: HTMLCanvasElement,
  ratio: number,
  picture: Picture,
  figures: readonly Figure[],
  looks: ReadonlyMap<string, Drawable>,
  pale: boolean,
) {
  const g = canvas.getContext('2d')!
  g.setTransform(ratio, 0, 0, ratio, 0, 0)
  g.clearRect(0, 0, canvas.width / ratio, canvas.height / ratio)
  const ink = pale ? '20,26,36' : '201,210,222'
  const k = picture.height / picture.camera.height
  for (const figure of figures) {
    const [x, y] = inPicture(figure.place, picture)
    if (!(x > -MARGIN && y > -MARGIN && x < picture.width + MARGIN && y < picture.height + MARGIN)) continue
    const drawable = looks.get(figure.look)
    g.save()
    g.translate(x, y)
    if (!drawable) {
      g.fillStyle = `rgba(${ink},0.9)`
      g.beginPath()
      g.arc(0, 0, DOT, 0, 7)
      g.fill()
      g.font = "11px 'Instrument Sans Variable', sans-serif"
      g.fillText(figure.subject, DOT + 3, 4)
    } else {
      const { width, height } = drawable.look
      const along = inPicture(figure.place.map((v, i) => v + figure.heading[i]) as Vector, picture).map(
        (v, i) => v - [x, y][i],
      )
      g.translate(0, (-height * k) / 2)
      if (along[0] < 0) g.scale(-1, 1)
      if (along[0] || along[1]) g.rotate(Math.atan2(along[1], Math.abs(along[0])) / 2)
      g.scale((width * k) / 100, (height * k) / 100)
      g.translate(-50, -50)
      if (drawable.path) {
        g.fillStyle = `rgba(${ink},0.22)`
        g.fill(drawable.path)
        g.strokeStyle = `rgba(${ink},0.75)`
        // A line of a pixel, whatever the box is stretched to.
        g.lineWidth = 100 / (Math.max(width, height) * k)
        g.stroke(drawable.path)
      } else if (drawable.image) {
        g.globalAlpha = 0.6
        g.drawImage(drawable.image, 0, 0, 100, 100)
      }
    }
    g.restore()
  }
}
