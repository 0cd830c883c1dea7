import { api } from '../api/client'
import type { Part } from '../project/useProject'
import type { Sheet, Sprite } from '../api/bundle'

/** Where the picture of a sprite is, and how it is cut. */
export interface SpriteSource {
  path: string
  sheet?: Sheet
}

export function spriteSources(project: number, sprites: Part<Sprite>[]): SpriteSource[] {
  return sprites.map((s) => ({
    path: s.body.picture ? api.ownSpritePath(project, s.id, s.revision) : api.spritePath(s.body.name),
    sheet: s.body.sheet,
  }))
}

const PIXELS = 64

/** Returns the frames of a picture, each as 64 × 64 pixels. */
export function cut(picture: ImageBitmap, sheet?: Sheet): ImageData[] {
  const { columns, rows, frames, order } = sheet ?? { columns: 1, rows: 1, frames: 1, order: 'by rows' }
  const width = picture.width / columns
  const height = picture.height / rows
  const flat = new OffscreenCanvas(PIXELS, PIXELS).getContext('2d', { willReadFrequently: true })!
  return Array.from({ length: frames }, (_, i) => {
    const column = order === 'by rows' ? i % columns : Math.floor(i / rows)
    const row = order === 'by rows' ? Math.floor(i / columns) : i % rows
    flat.clearRect(0, 0, PIXELS, PIXELS)
    flat.drawImage(picture, column * width, row * height, width, height, 0, 0, PIXELS, PIXELS)
    return flat.getImageData(0, 0, PIXELS, PIXELS)
  })
}

/** Fetches the pictures of sprites, in their order. */
export function loadSprites(sources: SpriteSource[]): Promise<ImageData[][]> {
  return Promise.all(
    sources.map(async (source) => {
      const response = await fetch(source.path)
      const bitmap = await createImageBitmap(await response.blob(), { premultiplyAlpha: 'none' })
      return cut(bitmap, source.sheet)
    }),
  )
}
