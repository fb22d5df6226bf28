/** Colours as they are called over the counter; any other comes in by a file. */
export const leatherColours: readonly { value: string; name: string }[] = [
  { value: '#d9b98a', name: 'natural' },
  { value: '#c08a4e', name: 'tan' },
  { value: '#a9743f', name: 'russet' },
  { value: '#8a5a34', name: 'mid brown' },
  { value: '#5b3d2b', name: 'dark brown' },
  { value: '#6d2b2e', name: 'oxblood' },
  { value: '#2b2724', name: 'black' },
  { value: '#2f4258', name: 'navy' },
  { value: '#3f5a45', name: 'green' },
  { value: '#8b8f90', name: 'grey' },
  { value: '#efe9dc', name: 'off white' },
]
