import type { Vector } from '../api/bundle'
import { showNumber } from '../common/numberText'
import { axes, type Backdrop, type Camera } from './renderer'

const UNITS = [0.25, 0.5, 1, 2, 5, 10, 20]
/** Least width of the scale in pixels. */
const WIDEST = 28

const dot = (a: number[], b: number[]) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

/** Returns how many units the scale of a picture shows, with so many pixels to the unit. */
export const scaleUnit = (pixels: number) => UNITS.find((u) => u * pixels >= WIDEST) ?? 50

/** Draws what lies over the light: where the response is and which way its surface faces, and a scale. */
export function paintOverlay(
  canvas: HTMLCanvasElement,
  ratio: number,
  seen: { mark?: { point: Vector; normal: Vector }; camera: Camera; backdrop: Backdrop },
) {
  const g = canvas.getContext('2d')!
  const width = canvas.width / ratio
  const height = canvas.height / ratio
  g.setTransform(ratio, 0, 0, ratio, 0, 0)
  g.clearRect(0, 0, width, height)
  const pale = ['snow', 'moor', 'checker'].includes(seen.backdrop)
  const k = height / seen.camera.height
  g.fillStyle = pale ? 'rgba(20,26,36,0.85)' : 'rgba(201,210,222,0.9)'
  if (seen.mark) {
    const { point, normal } = seen.mark
    const { right, up } = axes(seen.camera)
    const from = point.map((v, i) => v - seen.camera.centre[i])
    const px = width / 2 + dot(from, right) * k
    const py = height / 2 - dot(from, up) * k
    g.strokeStyle = pale ? 'rgba(20,26,36,0.4)' : 'rgba(201,210,222,0.35)'
    g.setLineDash([3, 4])
    g.beginPath()
    g.moveTo(px, py)
    g.lineTo(px + dot(normal, right) * height * 0.3, py - dot(normal, up) * height * 0.3)
    g.stroke()
    g.setLineDash([])
    g.beginPath()
    g.arc(px, py, 2.5, 0, 7)
    g.fill()
  }
  const unit = scaleUnit(k)
  g.font = "11px 'Instrument Sans Variable', sans-serif"
  g.fillText(`${showNumber(unit)} u`, 14, height - 18)
  g.fillRect(14, height - 13, unit * k, 2)
}
