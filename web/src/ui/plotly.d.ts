/** The build with flat charts alone is the same library with the same calls. */
declare module 'plotly.js-cartesian-dist-min' {
  export * from 'plotly.js'
}
