/** What Vite gives a test of the files of a folder: their modules, or with `?raw` their text. */
interface ImportMeta {
  glob: (pattern: string[], options: { eager: true; query?: string; import?: string }) => Record<string, unknown>
}
