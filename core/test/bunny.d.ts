declare module 'bunny' {
  const mesh: { positions: number[][]; cells: number[][] }
  export default mesh
}
