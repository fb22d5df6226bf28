import type {
  BenchNow,
  ConstructionName,
  CupSoleFields,
  CuttingGroup,
  Hide,
  HideFields,
  HowToFields,
  FeetFields,
  LastFields,
  LastHold,
  LastHoldFields,
  LastMeasures,
  LayoutSearch,
  Last,
  Made,
  Making,
  Material,
  OpenPair,
  PairCardState,
  PairDecisions,
  PairFile,
  PairLabel,
  PairLayout,
  PairLike,
  PairName,
  PairPage,
  PairRow,
  PairSort,
  Path,
  PatternKind,
  PlotLine,
  Pace,
  RuleFigures,
  WaySetFields,
  RuleReach,
  ShelfLast,
  PromisedDay,
  StepEvent,
  StepWish,
  Timetable,
  TimetableChanges,
  WorkshopDays,
} from '@gentle-awl/core'
import { markRaw } from 'vue'
import { send, sendForFile, shelf, type Stored } from './ask.ts'

export interface PairView {
  id: string
  version: number
  updatedAt: string
  label: PairLabel
  decisions: PairDecisions
  revision: number
  canUndo: boolean
  canRedo: boolean
}

/** Who works and when; version 0 while nobody said. */
export interface VersionedDays {
  version: number
  days: WorkshopDays
}

/** All open pairs laid out, with their steps; and those that cannot be. */
export interface Schedule {
  timetable: Timetable
  open: Omit<OpenPair, 'log'>[]
  leftOut: { pair: string; why: string }[]
  /** How many pairs are open besides: only the most urgent are laid out. */
  more: number
  /** What runs and waits now, whatever was planned. */
  bench: BenchNow
}

/** Where a step would come to lie, and what would move for it. */
export interface TriedMove {
  start: number | null
  maker: string | null
  changes: TimetableChanges
}

export type { PairCardState, PairName, PairPage, PairRow, PairSort }

export interface Backups {
  folder: string
  /** The newest that was made or tried since the start. */
  last: { at: string; name: string | null; problem: string } | null
  copies: { name: string; at: string; label: string; bytes: number }[]
}

/** What the cutting table has cut so far: lengths as its wheel measured them, mm. */
export interface TableReport {
  id: string
  name: string
  state: 'cutting' | 'done' | 'stopped'
  progress: number
  cut: number[]
  lines: PlotLine[]
}
export interface TableState {
  plugged: boolean
  fault: 'none' | 'stops half way' | 'cuts short'
  job: TableReport | null
}

/** A file that can be had of a pair; `takes` are the names of what may be chosen about it. */
export interface ExportKind {
  id: string
  title: string
  group: 'print' | 'drawing'
  takes: string[]
}

/** A kept surface is tens of thousands of numbers that never change in place: the page need not watch each of them. */
function still(last: Stored<Last>): Stored<Last> {
  if (last.shape.kind === 'kept') markRaw(last.shape.surface)
  return last
}
const lastShelf = shelf<Last, LastFields>('/lasts')

export const api = {
  lasts: {
    list: () => send<Stored<ShelfLast>[]>('/lasts'),
    one: async (id: string) => still(await send<Stored<Last>>(`/lasts/${id}`)),
    add: async (body: LastFields) => still(await lastShelf.add(body)),
    change: async (id: string, version: number, body: LastFields) => still(await lastShelf.change(id, version, body)),
    remove: lastShelf.remove,
  },
  lastHolds: shelf<LastHold, LastHoldFields>('/last-holds'),
  feet: shelf<FeetFields & { id: string }, FeetFields>('/feet'),
  cupSoles: shelf<CupSoleFields & { id: string }, CupSoleFields>('/cup-soles'),
  hides: shelf<Hide, HideFields>('/hides'),
  ways: shelf<WaySetFields & { id: string }, WaySetFields>('/ways'),
  howTos: shelf<HowToFields & { id: string }, HowToFields>('/how-tos'),
  materials: shelf<Material>('/materials'),
  /** What the practice scanner's hidden last measures. */
  hiddenLast: (seed: number) =>
    send<Pick<LastMeasures, 'length' | 'jointGirth' | 'waistGirth' | 'instepGirth' | 'heelHeight' | 'toeShape'>>(
      `/standins/scanner/last?seed=${seed}`,
    ),
  pace: () => send<Record<string, Pace>>('/pace'),
  workshopDays: () => send<VersionedDays>('/workshop-days'),
  changeWorkshopDays: (version: number, days: WorkshopDays) =>
    send<VersionedDays>('/workshop-days', { method: 'PUT', version, body: { days } }),
  schedule: () => send<Schedule>('/schedule'),
  /** What would move if a step were put there; nothing is stored. */
  trySchedule: (pair: string, wish: StepWish) =>
    send<TriedMove>('/schedule/try', { method: 'POST', body: { pair, ...wish } }),
  keepWish: (pair: string, wish: StepWish) =>
    send<void>('/schedule/wishes', { method: 'PUT', body: { pair, ...wish } }),
  dropWish: (pair: string, step: string) => send<void>('/schedule/wishes', { method: 'DELETE', body: { pair, step } }),
  scheduleFile: () => sendForFile('/schedule.ics'),
  /** The earliest day of an order that is not accepted yet. */
  promise: (label: PairLabel, decisions: PairDecisions) =>
    send<PromisedDay>('/schedule/promise', { method: 'POST', body: { label, decisions } }),
  houseRules: () => send<{ version: number; houseRules: RuleFigures }>('/house-rules'),
  ruleReach: () => send<RuleReach>('/house-rules/reach'),
  changeHouseRules: (version: number, houseRules: RuleFigures) =>
    send<{ version: number; houseRules: RuleFigures }>('/house-rules', {
      method: 'PUT',
      version,
      body: { houseRules },
    }),
  pairs: (search: string, sort: PairSort, page: number) =>
    send<PairPage>(`/pairs?${new URLSearchParams({ search, sort, page: String(page) }).toString()}`),
  pairNames: () => send<PairName[]>('/pairs/names'),
  /** The newest pair of a style, one made in the same way first. */
  pairLike: (style: PatternKind, construction: ConstructionName) =>
    send<PairLike | null>(`/pairs/like?${new URLSearchParams({ style, construction }).toString()}`),
  card: (id: string) => send<PairCardState>(`/pairs/${id}/card`),
  health: () => send<{ status: string; warning: string }>('/health'),
  backups: {
    list: () => send<Backups>('/backups'),
    make: () => send<Backups>('/backups', { method: 'POST' }),
    putBack: (name: string) =>
      send<{ pairs: number; setAside: string | null }>(`/backups/${name}/restore`, { method: 'POST' }),
  },
  pair: (id: string) => send<PairView>(`/pairs/${id}`),
  addPair: (label: PairLabel, decisions: PairDecisions) =>
    send<PairView>('/pairs', { method: 'POST', body: { label, decisions } }),
  savePair: (id: string, version: number, label: PairLabel, decisions: PairDecisions, keepalive = false) =>
    send<PairView>(`/pairs/${id}`, { method: 'PUT', version, body: { label, decisions }, keepalive }),
  removePair: (id: string, version: number) => send<void>(`/pairs/${id}`, { method: 'DELETE', version }),
  move: (id: string, version: number, way: 'undo' | 'redo') =>
    send<PairView>(`/pairs/${id}/${way}`, { method: 'POST', version }),
  /** `text` is the file as read: the server says where it breaks off. */
  importPair: (text: string) => send<PairView>('/pairs/import', { method: 'POST', body: text }),
  file: (id: string) => send<PairFile>(`/pairs/${id}/file`),
  keepFile: (id: string) => sendForFile(`/pairs/${id}/file`),
  exports: () => send<ExportKind[]>('/exports'),
  /** Makes a file of the pair and puts what is on it on record as printed. */
  print: (id: string, exportId: string, options: Record<string, string>) =>
    sendForFile(`/pairs/${id}/${exportId}`, { method: 'POST', body: options }),
  correctMinutes: (id: string, step: string, minutes: number) =>
    send<StepEvent[]>(`/pairs/${id}/steps/${step}/minutes`, { method: 'PUT', body: { minutes } }),
  /** What is cut for a pair, by what it is cut from. */
  cutting: (id: string) => send<CuttingGroup[]>(`/pairs/${id}/cutting`),
  layouts: (id: string) => send<Stored<PairLayout>[]>(`/pairs/${id}/layouts`),
  keepLayout: (id: string, version: number, layout: PairLayout) =>
    send<Stored<PairLayout>[]>(`/pairs/${id}/layouts`, { method: 'PUT', version, body: layout }),
  /** What is being looked for on the server of a pair's layouts. */
  layoutSearches: (id: string) => send<LayoutSearch[]>(`/pairs/${id}/layouts/searches`),
  searchLayout: (id: string, version: number, material: string, seconds: number) =>
    send<LayoutSearch[]>(`/pairs/${id}/layouts/searches`, { method: 'POST', version, body: { material, seconds } }),
  /** Ends it; answers once what it has found is kept. */
  stopLayoutSearch: (id: string, material: string) =>
    send<LayoutSearch[]>(`/pairs/${id}/layouts/searches?material=${encodeURIComponent(material)}`, {
      method: 'DELETE',
    }),
  made: (id: string) => send<Made[]>(`/pairs/${id}/made`),
  addMade: (id: string, how: Making, parts: string[]) =>
    send<Made[]>(`/pairs/${id}/made`, { method: 'POST', body: { how, parts } }),
  /** Records pieces as cut, each for a foot. */
  addCut: (id: string, pieces: { part: string; foot: 'right' | 'left' }[]) =>
    send<Made[]>(`/pairs/${id}/cut`, { method: 'POST', body: { pieces } }),
  /** Takes outlines out of a hide; what is left of it in several parts comes back as offcuts. */
  cutFromHide: (id: string, version: number, outlines: readonly Path[]) =>
    send<{ hide: Stored<Hide>; offcuts: Stored<Hide>[] }>(`/hides/${id}/cut`, {
      method: 'POST',
      version,
      body: { outlines },
    }),
  layoutFile: (kind: 'dxf' | 'pdf', drawing: unknown, paper = 'a4') =>
    sendForFile(`/layout-files/${kind}?paper=${paper}`, { method: 'POST', body: drawing }),
  gauge: {
    readings: (after: number) =>
      send<{ last: number; heard: { id: number; thickness: number | null; problem: string }[] }>(
        `/gauge/readings?after=${after}`,
      ),
    /** As the gauge itself sends it. */
    send: (message: string) => send<{ id: number }>('/gauge/readings', { method: 'POST', plain: message }),
  },
  table: {
    state: () => send<TableState>('/standins/table'),
    set: (state: { plugged: boolean; fault: TableState['fault'] }) =>
      send<TableState>('/standins/table', { method: 'PUT', body: state }),
    work: () => send<TableReport>('/standins/table/work'),
    stop: () => send<TableState>('/standins/table/work', { method: 'DELETE' }),
    send: (name: string, hpgl: string) =>
      send<TableReport>(`/standins/table/work?${new URLSearchParams({ name }).toString()}`, {
        method: 'POST',
        plain: hpgl,
      }),
  },
  log: (id: string) => send<StepEvent[]>(`/pairs/${id}/steps`),
  /** `maker` is who tells it; empty where nobody said. */
  logStep: (id: string, step: string, what: StepEvent['what'], maker = '') =>
    send<StepEvent[]>(`/pairs/${id}/steps`, { method: 'POST', body: { step, what, ...(maker ? { maker } : {}) } }),
}
