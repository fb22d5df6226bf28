/** What Vite gives a test of the files of a folder: their modules, or with `?raw` their text. */
interface ImportMeta {
  /** What the run was started with. */
  env: Record<string, string | undefined>
  glob: (pattern: string[], options: { eager: true; query?: string; import?: string }) => Record<string, unknown>
}
