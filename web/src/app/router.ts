import { createRouter, createWebHistory, START_LOCATION } from 'vue-router'
import PairsRoom from '../rooms/pairs/PairsRoom.vue'

declare module 'vue-router' {
  interface RouteMeta {
    title?: string
  }
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/today' },
    { path: '/today', component: () => import('../rooms/today/TodayRoom.vue'), meta: { title: 'Today' } },
    { path: '/pairs', component: PairsRoom, meta: { title: 'Pairs' } },
    { path: '/liners', component: () => import('../rooms/liners/LinersRoom.vue'), meta: { title: 'A new liner' } },
    { path: '/pairs/new', component: () => import('../rooms/pairs/new/NewPairRoom.vue'), meta: { title: 'New pair' } },
    {
      path: '/pairs/:id',
      component: () => import('../rooms/pairs/pair/PairFrame.vue'),
      props: true,
      children: [
        { path: '', redirect: (to) => `${to.path.replace(/\/$/, '')}/parts` },
        {
          path: 'decisions',
          component: () => import('../rooms/pairs/pair/decisions/DecisionsRoom.vue'),
          meta: { title: 'Decisions' },
        },
        { path: 'last', component: () => import('../rooms/pairs/pair/last/LastRoom.vue'), meta: { title: 'Last' } },
        { path: 'upper', component: () => import('../rooms/pairs/pair/upper/UpperRoom.vue'), meta: { title: 'Upper' } },
        {
          path: 'parts/:part?',
          component: () => import('../rooms/pairs/pair/parts/PartsRoom.vue'),
          meta: { title: 'Parts' },
        },
        {
          path: 'edges/:seam?',
          component: () => import('../rooms/pairs/pair/edges/EdgesRoom.vue'),
          meta: { title: 'Edges' },
        },
        {
          path: 'stitching/:seam?',
          component: () => import('../rooms/pairs/pair/stitching/StitchingRoom.vue'),
          meta: { title: 'Stitching' },
        },
        {
          path: 'cutting/:stuff?',
          component: () => import('../rooms/pairs/pair/cutting/CuttingRoom.vue'),
          meta: { title: 'Cutting' },
        },
        {
          path: 'lasting/:strip?',
          component: () => import('../rooms/pairs/pair/lasting/LastingRoom.vue'),
          meta: { title: 'Lasting' },
        },
        {
          path: 'work/:what?',
          component: () => import('../rooms/pairs/pair/work/WorkRoom.vue'),
          meta: { title: 'Work' },
        },
        {
          path: 'checks/:what?',
          component: () => import('../rooms/pairs/pair/checks/ChecksRoom.vue'),
          meta: { title: 'Checks' },
        },
      ],
    },
    { path: '/lasts', component: () => import('../rooms/lasts/LastsRoom.vue'), meta: { title: 'Lasts' } },
    {
      path: '/lasts/new/scan',
      component: () => import('../rooms/lasts/new/scan/ScanRoom.vue'),
      meta: { title: 'A last from a scan' },
    },
    {
      path: '/lasts/new/:kind(measures|traced)',
      component: () => import('../rooms/lasts/new/NewLastRoom.vue'),
      props: true,
      meta: { title: 'New last' },
    },
    {
      path: '/lasts/:id',
      component: () => import('../rooms/lasts/last/LastFrame.vue'),
      props: true,
      children: [
        { path: '', redirect: (to) => `${to.path.replace(/\/$/, '')}/measure` },
        { path: 'measure', component: () => import('../rooms/lasts/last/MeasurePage.vue'), meta: { title: 'Last' } },
        { path: 'shape', component: () => import('../rooms/lasts/last/ShapePage.vue'), meta: { title: 'Shape' } },
        {
          path: 'build-ups',
          component: () => import('../rooms/lasts/last/BuildUpPage.vue'),
          meta: { title: 'Build-ups' },
        },
        { path: 'foot', component: () => import('../rooms/lasts/last/FootPage.vue'), meta: { title: 'Last and foot' } },
        { path: 'compare', component: () => import('../rooms/lasts/last/ComparePage.vue'), meta: { title: 'Compare' } },
        { path: 'sizes', component: () => import('../rooms/lasts/last/SizesPage.vue'), meta: { title: 'Size run' } },
        {
          path: 'sole',
          component: () => import('../rooms/lasts/last/BoughtSolePage.vue'),
          meta: { title: 'Bought sole' },
        },
        { path: 'stock', component: () => import('../rooms/lasts/last/StockPage.vue'), meta: { title: 'Shelf' } },
      ],
    },
    {
      path: '/scanner',
      component: () => import('../rooms/scanner/ScannerRoom.vue'),
      meta: { title: 'Practice scanner' },
    },
    { path: '/gauge', component: () => import('../rooms/gauge/GaugeRoom.vue'), meta: { title: 'Practice gauge' } },
    {
      path: '/table',
      component: () => import('../rooms/table/TableRoom.vue'),
      meta: { title: 'Practice cutting table' },
    },
    { path: '/stores', component: () => import('../rooms/stores/StoresRoom.vue'), meta: { title: 'Stores' } },
    { path: '/stores/hides', component: () => import('../rooms/stores/hides/HidesRoom.vue'), meta: { title: 'Hides' } },
    {
      path: '/stores/hides/:id',
      component: () => import('../rooms/stores/hides/HideRoom.vue'),
      props: true,
      meta: { title: 'Hide' },
    },
    { path: '/calendar', component: () => import('../rooms/calendar/CalendarRoom.vue'), meta: { title: 'Calendar' } },
    {
      path: '/learned/:what?',
      component: () => import('../rooms/learned/LearnedRoom.vue'),
      meta: { title: 'Learned' },
    },
    { path: '/rules', component: () => import('../rooms/rules/HouseRulesRoom.vue'), meta: { title: 'House rules' } },
    { path: '/backups', component: () => import('../rooms/backups/BackupsRoom.vue'), meta: { title: 'Backups' } },
    { path: '/:rest(.*)*', component: () => import('../rooms/NoRoom.vue'), meta: { title: 'Not here' } },
  ],
})

router.afterEach((to, from) => {
  document.title = to.meta.title ? `${to.meta.title} · Gentle Awl` : 'Gentle Awl'
  // On the first page the browser's own order holds.
  if (from !== START_LOCATION) void keepFocus()
})

/** How often, and how far apart, it is looked whether the link that was followed is gone: a room is fetched first, ms. */
const LOOKS = 20
const APART = 50

/** When the link that was followed goes with its room, the focus goes to the work and not to nowhere. */
async function keepFocus(): Promise<void> {
  if (typeof document === 'undefined') return
  for (let k = 0; k < LOOKS; k++) {
    await new Promise((resolve) => setTimeout(resolve, APART))
    if (document.activeElement && document.activeElement !== document.body) continue
    document.getElementById('work')?.focus({ preventScroll: true })
    return
  }
}
