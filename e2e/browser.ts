/** The browser for all end-to-end work: Debian's, or the one that GENTLE_AWL_CHROMIUM names; WebGL by software. */
export const launch = {
  executablePath: process.env.GENTLE_AWL_CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--use-angle=swiftshader-webgl',
    '--disable-gpu-compositing',
    '--enable-unsafe-swiftshader',
    // Without a graphics card the page itself is painted faster by the processor.
    '--disable-gpu-rasterization',
  ],
}
