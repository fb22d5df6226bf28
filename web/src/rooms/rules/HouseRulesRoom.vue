<script setup lang="ts">
import { NButton, NCheckbox, NDataTable, type DataTableColumns } from 'naive-ui'
import { ruleChapters, type Rule, type RuleFigures, type RuleReach } from '@gentle-awl/core'
import { computed, h, onMounted, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { ApiError } from '../../api/ask.ts'
import { api } from '../../api/client.ts'
import { useNews } from '../../app/news.ts'
import { exactFigure, tell, unitBeside } from '../../app/settings.ts'
import { say } from '../../app/say.ts'
import { useAttempt } from '../../app/useAttempt.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import FigureField from '../../ui/FigureField.vue'
import RoomState from '../../ui/RoomState.vue'
import SearchField from '../../ui/SearchField.vue'
import { ruleLines, rulesFound, type RuleLine } from './rulesFound.ts'
import RuleTrial from './RuleTrial.vue'

/** Every figure the plan works by: found by its words or by its chapter, with how far it is from the book and whom it touches. */
const route = useRoute()
const workshop = useWorkshop()
const { problem, attempt } = useAttempt()
const { attempt: attemptSave } = useAttempt()
const { problem: unreached, attempt: attemptReach } = useAttempt()
const reach = shallowRef<RuleReach | null>(null)
const wrong = ref<{ key: string; message: string } | null>(null)

async function load(): Promise<void> {
  await attempt(() => workshop.load())
}
/** What rules touch is said beside them: the room does not wait for it. */
async function loadReach(): Promise<void> {
  reach.value = (await attemptReach(() => api.ruleReach())) ?? null
}
const figure = (rule: Rule) => workshop.houseRules[rule.key] ?? rule.value

async function save(key: string, rules: RuleFigures, done: string): Promise<void> {
  wrong.value = null
  await attemptSave(
    async () => {
      const r = await api.changeHouseRules(workshop.houseRulesVersion, rules)
      workshop.houseRules = r.houseRules
      workshop.houseRulesVersion = r.version
      await say(done)
    },
    async (refusal) => {
      const overtaken = refusal instanceof ApiError && refusal.status === 409
      wrong.value = {
        key,
        message: overtaken ? `${refusal.message} The figures shown now are the saved ones.` : refusal.message,
      }
      if (overtaken) await load()
    },
  )
}
/** A figure that was typed and is not kept yet; what it would change is shown first. */
const tried = shallowRef<{ rule: Rule; value: number } | null>(null)
function set(rule: Rule, value: number | null): void {
  if (value === null) return
  wrong.value = null
  tried.value = value === figure(rule) ? null : { rule, value }
}
function keep(): void {
  if (!tried.value) return
  const { rule, value } = tried.value
  tried.value = null
  void save(
    rule.key,
    { ...workshop.houseRules, [rule.key]: value },
    `${rule.name}: ${exactFigure(value, rule.unit)}. Every pair follows from now on.`,
  )
}
function back(rule: Rule): void {
  const rules = { ...workshop.houseRules }
  delete rules[rule.key]
  void save(rule.key, rules, `${rule.name} is back at ${exactFigure(rule.value, rule.unit)}.`)
}
onMounted(() => Promise.all([load(), loadReach()]))
useNews(
  () => ['/pairs', '/house-rules'],
  () => void loadReach(),
)

const lines = computed(() => ruleLines(workshop.houseRules))
const wanted = ref('')
const changedOnly = ref(false)
const changedIn = (chapter: string) => lines.value.filter((l) => l.chapter === chapter && l.off !== 0).length
const changes = computed(() => lines.value.filter((l) => l.off !== 0).length)
/** A search, and what was changed, go through all chapters; else one of them is open. */
const all = computed(() => changedOnly.value || wanted.value.trim() !== '')
const chapter = computed(
  () => ruleChapters.find((c) => c.name === route.query.chapter)?.name ?? ruleChapters[0]?.name ?? '',
)
const shown = computed(() => {
  const found = all.value
    ? rulesFound(lines.value, wanted.value)
    : lines.value.filter((l) => l.chapter === chapter.value)
  return changedOnly.value ? found.filter((l) => l.off !== 0) : found
})
const title = computed(() => {
  if (!all.value) return chapter.value
  return shown.value.length === 1 ? '1 rule' : `${shown.value.length} rules`
})

const signed = ({ off, rule }: RuleLine) =>
  `${off > 0 ? '+' : '−'}${exactFigure(Math.abs(off), rule.unit)} ${unitBeside(rule.unit)}`.trim()
function touches(key: string): string {
  const found = reach.value?.rules[key]
  if (!reach.value) return unreached.value ? '' : '…'
  const own = found?.own ? `, ${found.own} by ${found.own === 1 ? 'its' : 'their'} own figure` : ''
  if (!found?.pairs) return `none${own}`
  if (found.pairs > 1 && found.pairs === reach.value.pairs) return `all ${found.pairs} pairs`
  const rest = found.pairs - found.orders.length
  return `${found.pairs}: ${found.orders.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}${own}`
}
const pairsOf = ({ rule }: RuleLine) => reach.value?.rules[rule.key]?.pairs ?? 0
const columns = computed((): DataTableColumns<RuleLine> => [
  // What is tried opens under its rule; there is nothing else to unfold.
  {
    type: 'expand',
    title: () => h('span', { class: 'visually-hidden' }, 'What is tried'),
    width: 1,
    className: 'unfolded',
    renderExpand: ({ rule }) =>
      tried.value?.rule.key === rule.key &&
      h(RuleTrial, {
        rule,
        value: tried.value.value,
        now: figure(rule),
        onKeep: keep,
        onLeave: () => (tried.value = null),
      }),
  },
  {
    title: 'Rule',
    key: 'rule',
    sorter: (a, b) => a.rule.name.localeCompare(b.rule.name),
    render: ({ rule, chapter: of }) => [
      h('p', { class: 'name' }, rule.name),
      h('p', { class: 'soft' }, all.value ? `${of}. ${tell(rule.why)}` : tell(rule.why)),
      wrong.value?.key === rule.key && h('p', { class: 'wrong', role: 'alert' }, wrong.value.message),
    ],
  },
  {
    title: 'Figure',
    key: 'figure',
    width: 210,
    render: ({ rule }) => [
      h('span', { class: 'set' }, [
        h(FigureField, {
          step: (rule.max - rule.min) / 20,
          min: rule.min,
          max: rule.max,
          value: tried.value?.rule.key === rule.key ? tried.value.value : figure(rule),
          label: rule.name,
          unit: rule.unit,
          onChange: (value: number | null) => set(rule, value),
        }),
        h('span', unitBeside(rule.unit)),
      ]),
      h('span', { class: 'figure soft' }, `${exactFigure(rule.min, rule.unit)} to ${exactFigure(rule.max, rule.unit)}`),
    ],
  },
  {
    title: 'From the book',
    key: 'off',
    width: 170,
    sorter: (a, b) => Math.abs(a.share) - Math.abs(b.share),
    render: (line) =>
      line.off === 0
        ? h('span', { class: 'soft' }, 'as in the book')
        : h('span', { class: 'off' }, [
            h('strong', { class: 'figure' }, signed(line)),
            h(
              NButton,
              { onClick: () => back(line.rule) },
              () => `Back to ${exactFigure(line.rule.value, line.rule.unit)}`,
            ),
          ]),
  },
  {
    title: 'Pairs it touches',
    key: 'pairs',
    width: 170,
    sorter: (a, b) => pairsOf(a) - pairsOf(b),
    render: ({ rule }) => h('span', { class: 'soft' }, touches(rule.key)),
  },
])
</script>

<template>
  <section class="room-page">
    <header class="room-head">
      <h1>House rules</h1>
      <SearchField
        v-model:value="wanted"
        label="Find a rule by name, chapter or reason"
        placeholder="Find by name, chapter or reason"
      />
      <NCheckbox v-model:checked="changedOnly">Only what was changed here ({{ changes }})</NCheckbox>
    </header>
    <RoomState :loading="!workshop.loaded" :problem="problem" what="The house rules" @retry="load">
      <div class="book">
        <nav class="index" aria-label="Chapters">
          <RouterLink
            v-for="c in ruleChapters"
            :key="c.name"
            :to="{ path: '/rules', query: { chapter: c.name } }"
            :class="{ here: !all && c.name === chapter }"
            :aria-current="!all && c.name === chapter ? 'page' : undefined"
            @click="((wanted = ''), (changedOnly = false))"
          >
            <span>{{ c.name }}</span>
            <span v-if="changedIn(c.name) > 0" class="count">{{ changedIn(c.name) }} changed</span>
          </RouterLink>
        </nav>
        <div class="rules">
          <h2>{{ title }}</h2>
          <p class="soft">
            Every figure has its reason. A change goes for all pairs that have no figure of their own; what it would do
            is shown first.
            <template v-if="reach && reach.unknown > 0">
              Of {{ reach.unknown === 1 ? '1 pair' : `${reach.unknown} pairs` }} it is not known yet which rules touch
              it.
            </template>
            <template v-if="unreached">Which pairs a rule touches cannot be said now: {{ unreached }}</template>
          </p>
          <NDataTable
            :columns="columns"
            :data="shown"
            :row-key="(line: RuleLine) => line.rule.key"
            :row-class-name="(line: RuleLine) => (line.off === 0 ? '' : 'changed')"
            :expanded-row-keys="tried ? [tried.rule.key] : []"
            :bordered="false"
          >
            <template #empty>
              {{
                changedOnly && wanted === ''
                  ? 'Nothing was changed: the workshop goes by the book.'
                  : 'No rule matches.'
              }}
            </template>
          </NDataTable>
        </div>
      </div>
    </RoomState>
  </section>
</template>

<style scoped>
.book {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr);
  gap: 24px;
  align-items: start;
}
.index {
  position: sticky;
  top: 12px;
  display: grid;
  gap: 2px;
}
.index a {
  display: grid;
  min-height: 44px;
  align-content: center;
  padding: 6px 12px;
  border-radius: 10px;
  text-decoration: none;
}
.index a:hover {
  background: var(--raised);
}
.index a.here {
  background: var(--action-soft);
  font-weight: 600;
}
.count {
  font-size: 14px;
  font-weight: 600;
  color: var(--action);
}
.rules {
  display: grid;
  gap: 10px;
}
.rules :deep(.set) {
  display: grid;
  grid-template-columns: 104px 1fr;
  gap: 8px;
  align-items: center;
}
.rules :deep(.off) {
  display: grid;
  justify-items: start;
  gap: 6px;
}
.rules :deep(.name) {
  font-weight: 600;
}
.rules :deep(.changed td) {
  background: var(--action-soft);
}
.rules :deep(td) {
  vertical-align: top;
}
.rules :deep(:is(th, td).unfolded) {
  padding: 0;
}
.rules :deep(.unfolded .n-data-table-expand-trigger) {
  display: none;
}
@media (max-width: 999px) {
  .book {
    grid-template-columns: minmax(0, 1fr);
  }
  .index {
    position: static;
    grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  }
}
</style>
