let known: boolean | undefined

/**
 * Does this browser draw 3D without a graphics card? Then pictures cost what plans are made with: they are
 * fewer and plainer there. Found out once, from the name of what draws.
 */
export function drawnBySoftware(): boolean {
  if (known !== undefined) return known
  const gl = new OffscreenCanvas(1, 1).getContext('webgl2')
  const info = gl?.getExtension('WEBGL_debug_renderer_info')
  const name: unknown = gl && info ? gl.getParameter(info.UNMASKED_RENDERER_WEBGL) : ''
  gl?.getExtension('WEBGL_lose_context')?.loseContext()
  known = /swiftshader|llvmpipe|softpipe|software|basic render/i.test(String(name))
  return known
}
