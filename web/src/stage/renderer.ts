import { WORDS, type Frame } from './frames'

/** Words in a row of the texture that holds a frame, and pictures. */
const WIDE = 1280
const PER_ROW = WIDE / WORDS
/** From the side, what lies flat would be a line; it is shown as if from a little above. */
const TILT = 0.3

/** What the stage looks through. */
export interface Camera {
  /** Point in the middle of the picture, in units. */
  centre: [number, number, number]
  /** Units from top to bottom. */
  height: number
  /** Degrees: 0 is from the front, 90 from the right. */
  yaw: number
  /** Degrees: 0 is level, 90 from above. */
  pitch: number
}

export type Backdrop = 'night' | 'dusk' | 'moor' | 'snow' | 'checker'

/** Top and bottom of each backdrop, sRGB 0 to 1; the last number turns the checker on. */
const BACKDROPS: Record<Backdrop, { top: number[]; bottom: number[]; checker: number }> = {
  night: { top: [0.086, 0.114, 0.157], bottom: [0.102, 0.133, 0.18], checker: 0 },
  dusk: { top: [0.2, 0.21, 0.32], bottom: [0.52, 0.36, 0.34], checker: 0 },
  moor: { top: [0.56, 0.63, 0.66], bottom: [0.42, 0.45, 0.33], checker: 0 },
  snow: { top: [0.83, 0.88, 0.92], bottom: [0.95, 0.97, 0.98], checker: 0 },
  checker: { top: [0.35, 0.35, 0.36], bottom: [0.35, 0.35, 0.36], checker: 1 },
}

const FULL = `#version 300 es
out vec2 uv;
void main() {
  uv = vec2((gl_VertexID << 1) & 2, gl_VertexID & 2);
  gl_Position = vec4(uv * 2.0 - 1.0, 0.0, 1.0);
}`

const BACK = `#version 300 es
precision highp float;
in vec2 uv;
out vec4 colour;
uniform vec3 top, bottom;
uniform float checker;
uniform vec2 pixels;
uniform vec3 ground; // a·x + b·y + c of the surface in pixels, negative inside; c above 1e8 for none
vec3 linear(vec3 c) { return mix(c / 12.92, pow((c + 0.055) / 1.055, vec3(2.4)), step(0.04045, c)); }
void main() {
  vec2 p = uv * pixels;
  vec3 c = mix(bottom, top, uv.y);
  if (checker > 0.5) c = mod(floor(p.x / 16.0) + floor(p.y / 16.0), 2.0) < 1.0 ? vec3(0.4) : vec3(0.62);
  float d = dot(vec3(p, 1.0), ground);
  if (d < 0.0) c = mix(c, vec3(0.13, 0.2, 0.25), 0.45);
  colour = vec4(linear(c), 1.0);
}`

const VERTEX = `#version 300 es
precision highp float;
precision highp int;
precision highp usampler2D;
uniform usampler2D particles;
uniform usampler2D bases; // by sprite, its first layer
uniform vec3 origin, extent, centre, right, up, back;
uniform vec2 scale; // clip units a unit
uniform float tilt; // how far what lies flat is shown as from above
out vec2 at;
flat out float layer;
flat out vec4 tint; // premultiplied linear light
const int WIDE = 1280;
uint word(int n) { return texelFetch(particles, ivec2(n % WIDE, n / WIDE), 0).r; }
vec3 direction(uint code) {
  vec2 e = vec2(float(code & 0xffu), float((code >> 8) & 0xffu)) / 127.0 - 1.0;
  vec3 v = vec3(e, 1.0 - abs(e.x) - abs(e.y));
  if (v.z < 0.0) v.xy = (1.0 - abs(v.yx)) * vec2(v.x < 0.0 ? -1.0 : 1.0, v.y < 0.0 ? -1.0 : 1.0);
  return normalize(v);
}
vec2 seen(vec3 v) { return vec2(dot(v, right), dot(v, up)); }
void main() {
  int n = (gl_VertexID >> 2) * 5;
  uint a = word(n), b = word(n + 1), c = word(n + 2), d = word(n + 3), e = word(n + 4);
  vec3 p = origin + vec3(float(a & 0xffffu), float(a >> 16), float(b & 0xffffu)) / 65535.0 * extent;
  float width = unpackHalf2x16(b).y, height = unpackHalf2x16(c).x;
  uint code = c >> 16, sprite = d & 0xffu, kind = (d >> 16) & 0xffu, posture = kind & 3u;
  vec2 corner = vec2(float(gl_VertexID & 1), float((gl_VertexID >> 1) & 1)) - 0.5;
  vec2 offset;
  if (posture == 0u) {
    float turn = float(code) / 65536.0 * 6.283185307;
    float s = sin(turn), co = cos(turn);
    vec2 q = corner * vec2(width, height);
    offset = vec2(q.x * co - q.y * s, q.x * s + q.y * co);
  } else if (posture == 1u) {
    vec3 dir = direction(code);
    vec2 flatDir = vec2(dot(dir, right), dot(dir, up));
    float l = length(flatDir);
    float along = sprite == 255u ? width * l : max(height, width * l);
    vec2 x = l > 1e-6 ? flatDir / l : vec2(1.0, 0.0);
    offset = x * corner.x * along + vec2(-x.y, x.x) * corner.y * height;
  } else {
    vec3 normal = direction(code);
    vec3 side = abs(normal.y) > 0.999 ? vec3(1.0, 0.0, 0.0) : normalize(cross(vec3(0.0, 1.0, 0.0), normal));
    vec3 over = cross(normal, side);
    float turn = float(d >> 24) / 256.0 * 6.283185307;
    float s = sin(turn), co = cos(turn);
    vec3 v = (side * co + over * s) * corner.x * width + (over * co - side * s) * corner.y * height;
    offset = seen(v) - seen(normal) * dot(v, back) * tilt;
  }
  vec3 rel = p - centre;
  gl_Position = vec4((vec2(dot(rel, right), dot(rel, up)) + offset) * scale, 0.0, 1.0);
  at = vec2(corner.x + 0.5, 0.5 - corner.y);
  layer = sprite == 255u ? -1.0 : float(texelFetch(bases, ivec2(int(sprite), 0), 0).r + ((d >> 8) & 0xffu));
  float additive = ((kind >> 2) & 3u) == 1u ? 1.0 : 0.0;
  vec4 srgb = vec4(float(e & 0xffu), float((e >> 8) & 0xffu), float((e >> 16) & 0xffu), float(e >> 24)) / 255.0;
  vec3 light = mix(srgb.rgb / 12.92, pow((srgb.rgb + 0.055) / 1.055, vec3(2.4)), step(0.04045, srgb.rgb));
  tint = vec4(light * srgb.a, srgb.a * (1.0 - additive));
}`

const FRAGMENT = `#version 300 es
precision highp float;
precision mediump sampler2DArray;
uniform sampler2DArray sprites;
in vec2 at;
flat in float layer;
flat in vec4 tint;
out vec4 colour;
void main() {
  float across = at.y * 2.0 - 1.0, soft = 1.0 - across * across;
  vec4 s = layer < 0.0 ? vec4(1.0, 1.0, 1.0, soft * soft) : texture(sprites, vec3(at, layer));
  colour = vec4(tint.rgb * s.rgb, tint.a) * s.a;
}`

const SHOW = `#version 300 es
precision highp float;
in vec2 uv;
uniform sampler2D picture;
out vec4 colour;
void main() {
  vec3 l = texelFetch(picture, ivec2(gl_FragCoord.xy), 0).rgb;
  // The sRGB curve by three square roots: off by less than a 255th, and cheap where there is no graphics card.
  vec3 a = sqrt(l), b = sqrt(a), c = sqrt(b);
  colour = vec4(max(l * 12.92 * step(l, vec3(0.0031308)), 0.662002687 * a + 0.684122060 * b - 0.323583601 * c - 0.0225411470 * l), 1.0);
}`

/**
 * Draws frames with WebGL 2.
 *
 * All light is added up linearly in an sRGB texture, whose blending the standard defines to be linear, and then shown.
 * One premultiplied blend serves alpha and additive: an additive particle simply covers nothing. Screen and multiply have
 * blends of their own. A picture is four vertices that read its 20 bytes from a texture, so a frame goes to the screen as
 * it came from the server.
 */
export class Renderer {
  private readonly gl: WebGL2RenderingContext
  private readonly back: WebGLProgram
  private readonly quads: WebGLProgram
  private readonly show: WebGLProgram
  private readonly data: WebGLTexture
  private sprites: WebGLTexture
  private readonly bases: WebGLTexture
  private readonly indices: WebGLBuffer
  private readonly picture: WebGLTexture
  private readonly target: WebGLFramebuffer
  private readonly scenery: WebGLTexture
  private readonly sceneryTarget: WebGLFramebuffer
  private sceneryKey = ''
  /** Where pictures were drawn last: left, bottom, right, top in pixels. */
  private drawnIn: Rect | undefined
  private fence: WebGLSync | null = null
  private readonly empty: WebGLVertexArrayObject
  private readonly vao: WebGLVertexArrayObject
  private readonly places = new Map<string, WebGLUniformLocation | null>()
  private room = 0
  private rows = 0
  private width = 0
  private height = 0

  constructor(readonly canvas: HTMLCanvasElement) {
    const gl = canvas.getContext('webgl2', { antialias: false, alpha: false, preserveDrawingBuffer: true })
    if (!gl) throw new Error('This browser has no WebGL 2; the stage cannot be drawn.')
    this.gl = gl
    this.back = this.program(FULL, BACK)
    this.quads = this.program(VERTEX, FRAGMENT)
    this.show = this.program(FULL, SHOW)
    this.data = gl.createTexture()!
    this.sprites = gl.createTexture()!
    this.bases = gl.createTexture()!
    this.indices = gl.createBuffer()!
    this.picture = gl.createTexture()!
    this.target = gl.createFramebuffer()!
    this.scenery = gl.createTexture()!
    this.sceneryTarget = gl.createFramebuffer()!
    this.empty = gl.createVertexArray()!
    this.vao = gl.createVertexArray()!
    gl.bindTexture(gl.TEXTURE_2D_ARRAY, this.sprites)
    gl.texStorage3D(gl.TEXTURE_2D_ARRAY, 1, gl.RGBA8, 1, 1, 1)
    this.reserve(256)
  }

  private program(vertex: string, fragment: string): WebGLProgram {
    const gl = this.gl
    const program = gl.createProgram()!
    for (const [type, source] of [
      [gl.VERTEX_SHADER, vertex],
      [gl.FRAGMENT_SHADER, fragment],
    ] as const) {
      const shader = gl.createShader(type)!
      gl.shaderSource(shader, source)
      gl.compileShader(shader)
      if (!gl.getShaderParameter(shader, gl.COMPILE_STATUS))
        throw new Error(gl.getShaderInfoLog(shader) ?? 'A shader does not compile.')
      gl.attachShader(program, shader)
    }
    gl.linkProgram(program)
    return program
  }

  private at(program: WebGLProgram, name: string) {
    const key = (program === this.back ? 'b' : program === this.quads ? 'q' : 's') + name
    if (!this.places.has(key)) this.places.set(key, this.gl.getUniformLocation(program, name))
    return this.places.get(key)!
  }

  /** Takes the frames of the project's sprites, in the order in which frames of the stage number the sprites. */
  setSprites(sprites: ImageData[][]) {
    const gl = this.gl
    const pixels = 64
    const first = new Uint32Array(256)
    let layers = 0
    sprites.forEach((frames, i) => {
      first[i] = layers
      layers += frames.length
    })
    gl.activeTexture(gl.TEXTURE0)
    gl.deleteTexture(this.sprites)
    this.sprites = gl.createTexture()!
    gl.bindTexture(gl.TEXTURE_2D_ARRAY, this.sprites)
    gl.texStorage3D(gl.TEXTURE_2D_ARRAY, 7, gl.RGBA8, pixels, pixels, Math.max(1, layers))
    sprites
      .flat()
      .forEach((image, i) =>
        gl.texSubImage3D(
          gl.TEXTURE_2D_ARRAY,
          0,
          0,
          0,
          i,
          pixels,
          pixels,
          1,
          gl.RGBA,
          gl.UNSIGNED_BYTE,
          linear(image),
        ),
      )
    gl.generateMipmap(gl.TEXTURE_2D_ARRAY)
    gl.texParameteri(gl.TEXTURE_2D_ARRAY, gl.TEXTURE_MIN_FILTER, gl.LINEAR_MIPMAP_NEAREST)
    gl.texParameteri(gl.TEXTURE_2D_ARRAY, gl.TEXTURE_WRAP_S, gl.CLAMP_TO_EDGE)
    gl.texParameteri(gl.TEXTURE_2D_ARRAY, gl.TEXTURE_WRAP_T, gl.CLAMP_TO_EDGE)
    gl.bindTexture(gl.TEXTURE_2D, this.bases)
    gl.texImage2D(gl.TEXTURE_2D, 0, gl.R32UI, 256, 1, 0, gl.RED_INTEGER, gl.UNSIGNED_INT, first)
    this.nearest()
  }

  private nearest() {
    const gl = this.gl
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.NEAREST)
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAG_FILTER, gl.NEAREST)
  }

  private reserve(count: number) {
    if (count <= this.room) return
    const gl = this.gl
    this.room = Math.max(1024, 1 << Math.ceil(Math.log2(count)))
    const indices = new Uint32Array(this.room * 6)
    for (let i = 0; i < this.room; i++)
      indices.set([4 * i, 4 * i + 1, 4 * i + 2, 4 * i + 2, 4 * i + 1, 4 * i + 3], 6 * i)
    gl.bindVertexArray(this.vao)
    gl.bindBuffer(gl.ELEMENT_ARRAY_BUFFER, this.indices)
    gl.bufferData(gl.ELEMENT_ARRAY_BUFFER, indices, gl.STATIC_DRAW)
    gl.bindVertexArray(null)
    this.rows = Math.ceil(this.room / PER_ROW)
    gl.bindTexture(gl.TEXTURE_2D, this.data)
    gl.texImage2D(gl.TEXTURE_2D, 0, gl.R32UI, WIDE, this.rows, 0, gl.RED_INTEGER, gl.UNSIGNED_INT, null)
    this.nearest()
  }

  private upload(frame: Frame) {
    const gl = this.gl
    this.reserve(frame.count)
    gl.bindTexture(gl.TEXTURE_2D, this.data)
    const whole = Math.floor(frame.count / PER_ROW)
    const rest = (frame.count - whole * PER_ROW) * WORDS
    const put = (y: number, width: number, height: number, words: Uint32Array) =>
      gl.texSubImage2D(gl.TEXTURE_2D, 0, 0, y, width, height, gl.RED_INTEGER, gl.UNSIGNED_INT, words)
    if (whole > 0) put(0, WIDE, whole, frame.particles.subarray(0, whole * WIDE))
    if (rest > 0) put(whole, rest, 1, frame.particles.subarray(whole * WIDE))
  }

  private resize() {
    const gl = this.gl
    const width = this.canvas.width
    const height = this.canvas.height
    if (width === this.width && height === this.height) return
    this.width = width
    this.height = height
    for (const [texture, target] of [
      [this.picture, this.target],
      [this.scenery, this.sceneryTarget],
    ] as const) {
      gl.bindTexture(gl.TEXTURE_2D, texture)
      gl.texImage2D(gl.TEXTURE_2D, 0, gl.SRGB8_ALPHA8, width, height, 0, gl.RGBA, gl.UNSIGNED_BYTE, null)
      gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.NEAREST)
      gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAG_FILTER, gl.NEAREST)
      gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_S, gl.CLAMP_TO_EDGE)
      gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_T, gl.CLAMP_TO_EDGE)
      gl.bindFramebuffer(gl.FRAMEBUFFER, target)
      gl.framebufferTexture2D(gl.FRAMEBUFFER, gl.COLOR_ATTACHMENT0, gl.TEXTURE_2D, texture, 0)
    }
    this.sceneryKey = ''
    this.drawnIn = undefined
  }

  /** Takes a picture as what lies behind the particles. */
  private takeScenery(picture: HTMLCanvasElement) {
    const gl = this.gl
    this.sceneryKey = ''
    this.drawnIn = undefined
    gl.activeTexture(gl.TEXTURE0)
    gl.bindTexture(gl.TEXTURE_2D, this.scenery)
    gl.pixelStorei(gl.UNPACK_FLIP_Y_WEBGL, true)
    gl.texSubImage2D(gl.TEXTURE_2D, 0, 0, 0, gl.RGBA, gl.UNSIGNED_BYTE, picture)
    gl.pixelStorei(gl.UNPACK_FLIP_Y_WEBGL, false)
  }

  /** Draws what lies behind the particles, once for each backdrop and surface. */
  private paintScenery(backdrop: Backdrop, surface: [number, number, number]) {
    const key = [backdrop, ...surface].join()
    if (key === this.sceneryKey) return
    this.sceneryKey = key
    this.drawnIn = undefined
    const gl = this.gl
    gl.bindFramebuffer(gl.FRAMEBUFFER, this.sceneryTarget)
    gl.viewport(0, 0, this.width, this.height)
    gl.disable(gl.BLEND)
    gl.useProgram(this.back)
    const b = BACKDROPS[backdrop]
    gl.uniform3fv(this.at(this.back, 'top'), b.top)
    gl.uniform3fv(this.at(this.back, 'bottom'), b.bottom)
    gl.uniform1f(this.at(this.back, 'checker'), b.checker)
    gl.uniform2f(this.at(this.back, 'pixels'), this.width, this.height)
    gl.uniform3fv(this.at(this.back, 'ground'), surface)
    gl.bindVertexArray(this.empty)
    gl.drawArrays(gl.TRIANGLES, 0, 3)
  }

  /**
   * Tells whether the frame before has left the queue. Drawing faster than that only makes every picture later, so who
   * can wait asks first.
   */
  ready(): boolean {
    if (!this.fence) return true
    const status = this.gl.clientWaitSync(this.fence, 0, 0)
    if (status === this.gl.TIMEOUT_EXPIRED) return false
    this.gl.deleteSync(this.fence)
    this.fence = null
    return true
  }

  /**
   * Draws a frame.
   *
   * @param backdrop one of its own, or a picture of the same size, which is taken anew each time
   * @param surface a line in the picture, in pixels from the lower left; what lies on its negative side is ground
   */
  draw(
    frame: Frame | undefined,
    camera: Camera,
    backdrop: Backdrop | HTMLCanvasElement,
    surface: [number, number, number],
  ) {
    const gl = this.gl
    this.resize()
    const { width, height } = this
    if (width === 0 || height === 0) return
    gl.disable(gl.SCISSOR_TEST)
    if (typeof backdrop === 'string') this.paintScenery(backdrop, surface)
    else this.takeScenery(backdrop)
    // Only where pictures are now or were before is anything drawn anew: most of the stage stays as it is.
    const now = reach(frame, camera, width, height)
    const was = this.drawnIn
    this.drawnIn = now
    const [left, bottom, right, top] = was ? union(was, now) : [0, 0, width, height]
    if (right <= left || top <= bottom) return
    gl.enable(gl.SCISSOR_TEST)
    gl.scissor(left, bottom, right - left, top - bottom)
    gl.bindFramebuffer(gl.READ_FRAMEBUFFER, this.sceneryTarget)
    gl.bindFramebuffer(gl.DRAW_FRAMEBUFFER, this.target)
    gl.blitFramebuffer(0, 0, width, height, 0, 0, width, height, gl.COLOR_BUFFER_BIT, gl.NEAREST)
    gl.bindFramebuffer(gl.FRAMEBUFFER, this.target)
    gl.viewport(0, 0, width, height)
    if (frame && frame.count > 0) this.particles(frame, camera, width / height)
    gl.bindFramebuffer(gl.FRAMEBUFFER, null)
    gl.viewport(0, 0, width, height)
    gl.disable(gl.BLEND)
    gl.useProgram(this.show)
    gl.activeTexture(gl.TEXTURE0)
    gl.bindTexture(gl.TEXTURE_2D, this.picture)
    gl.uniform1i(this.at(this.show, 'picture'), 0)
    gl.bindVertexArray(this.empty)
    gl.drawArrays(gl.TRIANGLES, 0, 3)
    if (this.fence) gl.deleteSync(this.fence)
    this.fence = gl.fenceSync(gl.SYNC_GPU_COMMANDS_COMPLETE, 0)
    gl.flush()
  }

  private particles(frame: Frame, camera: Camera, aspect: number) {
    const gl = this.gl
    gl.activeTexture(gl.TEXTURE0)
    this.upload(frame)
    gl.useProgram(this.quads)
    gl.activeTexture(gl.TEXTURE1)
    gl.bindTexture(gl.TEXTURE_2D_ARRAY, this.sprites)
    gl.activeTexture(gl.TEXTURE2)
    gl.bindTexture(gl.TEXTURE_2D, this.bases)
    gl.uniform1i(this.at(this.quads, 'particles'), 0)
    gl.uniform1i(this.at(this.quads, 'sprites'), 1)
    gl.uniform1i(this.at(this.quads, 'bases'), 2)
    gl.uniform3fv(this.at(this.quads, 'origin'), frame.origin)
    gl.uniform3fv(this.at(this.quads, 'extent'), frame.extent)
    gl.uniform3fv(this.at(this.quads, 'centre'), camera.centre)
    const { right, up, back } = axes(camera)
    gl.uniform3fv(this.at(this.quads, 'right'), right)
    gl.uniform3fv(this.at(this.quads, 'up'), up)
    gl.uniform3fv(this.at(this.quads, 'back'), back)
    gl.uniform1f(this.at(this.quads, 'tilt'), camera.pitch === 0 ? TILT : 0)
    gl.uniform2f(this.at(this.quads, 'scale'), 2 / (camera.height * aspect), 2 / camera.height)
    gl.enable(gl.BLEND)
    gl.bindVertexArray(this.vao)
    const words = frame.particles
    const blend = (i: number) => {
      const kind = (words[i * WORDS + 3] >>> 18) & 3
      return kind < 2 ? 0 : kind
    }
    for (let from = 0; from < frame.count;) {
      const kind = blend(from)
      let to = from + 1
      while (to < frame.count && blend(to) === kind) to++
      if (kind === 2) gl.blendFunc(gl.ONE, gl.ONE_MINUS_SRC_COLOR)
      else gl.blendFunc(kind === 3 ? gl.DST_COLOR : gl.ONE, gl.ONE_MINUS_SRC_ALPHA)
      gl.drawElements(gl.TRIANGLES, (to - from) * 6, gl.UNSIGNED_INT, from * 24)
      from = to
    }
    gl.bindVertexArray(null)
    gl.activeTexture(gl.TEXTURE0)
  }

  /** Waits until what was drawn is drawn. */
  finish() {
    this.gl.readPixels(0, 0, 1, 1, this.gl.RGBA, this.gl.UNSIGNED_BYTE, new Uint8Array(4))
  }

  release() {
    this.gl.getExtension('WEBGL_lose_context')?.loseContext()
  }
}

type Rect = [number, number, number, number]

/** Returns a rectangle of pixels that holds every picture of a frame. */
export function reach(frame: Frame | undefined, camera: Camera, width: number, height: number): Rect {
  if (!frame || frame.count === 0) return [0, 0, 0, 0]
  let most = 0
  for (let i = 0; i < frame.count; i++) {
    const at = i * WORDS
    most = Math.max(most, frame.particles[at + 1] >>> 16, frame.particles[at + 2] & 0xffff)
  }
  // Half floats that are not negative are ordered like their bits; the diagonal of a square, and a little for rounding.
  const margin = halfFloat(most) * 0.75 + (2 * camera.height) / height
  const { right, up } = axes(camera)
  const k = height / camera.height
  const along = (axis: number[], middle: number): [number, number] => {
    let centre = 0
    let half = 0
    for (let i = 0; i < 3; i++) {
      centre += axis[i] * (frame.origin[i] + frame.extent[i] / 2 - camera.centre[i])
      half += Math.abs(axis[i]) * (frame.extent[i] / 2)
    }
    return [middle + (centre - half - margin) * k, middle + (centre + half + margin) * k]
  }
  const [left, right_] = along(right, width / 2)
  const [bottom, top] = along(up, height / 2)
  return [
    Math.max(0, Math.floor(left)),
    Math.max(0, Math.floor(bottom)),
    Math.min(width, Math.ceil(right_)),
    Math.min(height, Math.ceil(top)),
  ]
}

function halfFloat(bits: number): number {
  const exponent = bits >> 10
  const mantissa = bits & 1023
  return exponent === 0 ? mantissa * 2 ** -24 : (1 + mantissa / 1024) * 2 ** (exponent - 15)
}

function union(a: Rect, b: Rect): Rect {
  if (a[2] <= a[0] || a[3] <= a[1]) return b
  if (b[2] <= b[0] || b[3] <= b[1]) return a
  return [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.max(a[2], b[2]), Math.max(a[3], b[3])]
}

/** Returns the directions of the picture's right and up and of the viewer in the world. */
export function axes(camera: Camera): { right: number[]; up: number[]; back: number[] } {
  const yaw = (camera.yaw * Math.PI) / 180
  const pitch = (camera.pitch * Math.PI) / 180
  return {
    right: [Math.cos(yaw), 0, -Math.sin(yaw)],
    up: [-Math.sin(yaw) * Math.sin(pitch), Math.cos(pitch), -Math.cos(yaw) * Math.sin(pitch)],
    back: [Math.sin(yaw) * Math.cos(pitch), Math.sin(pitch), Math.cos(yaw) * Math.cos(pitch)],
  }
}

/** Returns the pixels of a sprite with their shade in linear light, so that mixing them mixes light. */
function linear(image: ImageData): Uint8Array {
  const out = new Uint8Array(image.data)
  for (let i = 0; i < out.length; i++) {
    if (i % 4 === 3) continue
    const c = out[i] / 255
    out[i] = Math.round(255 * (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4))
  }
  return out
}
