<script setup lang="ts">
import type { PlotData } from 'plotly.js'
import type { StepProgress } from '@gentle-awl/core'
import { computed, ref } from 'vue'
import { showMinutes, tell, theme } from '../../../../app/settings.ts'
import { coloursOf } from '../../../../app/theme.ts'
import ButtonLink from '../../../../ui/ButtonLink.vue'
import GraphChart from '../../../../ui/GraphChart.vue'
import SelectField from '../../../../ui/SelectField.vue'
import { graphSpots } from './graphLayout.ts'
import { standings, workRows, type Standing } from './workTable.ts'

/** What waits for what: every step as a point, right of all that it waits for; the chosen one with its reasons. */
const props = defineProps<{ steps: readonly StepProgress[]; to: (id: string) => string }>()
const spots = computed(() => new Map(graphSpots(props.steps.map((s) => s.step)).map((s) => [s.id, s])))
const rows = computed(() => new Map(workRows(props.steps).map((r) => [r.id, r])))
const chosen = ref('')
const here = computed(
  () =>
    props.steps.find((s) => s.step.id === chosen.value) ??
    props.steps.find((s) => s.state !== 'finished' && s.heldBy.length === 0) ??
    props.steps[0],
)
const after = computed(() => props.steps.filter((s) => s.step.after.some((a) => a.id === here.value?.step.id)))
/** Told apart by form as well as by colour. */
const symbols: Record<Standing, string> = {
  running: 'star',
  'may be started': 'diamond',
  waits: 'circle-open',
  done: 'circle',
}
function line(of: (from: string, to: string) => boolean, width: number, color: string): Partial<PlotData> {
  const x: (number | null)[] = []
  const y: (number | null)[] = []
  for (const { step } of props.steps) {
    for (const a of step.after.filter((r) => of(r.id, step.id))) {
      const [p, q] = [spots.value.get(a.id), spots.value.get(step.id)]
      if (!p || !q) continue
      x.push(p.x, q.x, null)
      y.push(-p.y, -q.y, null)
    }
  }
  return { type: 'scatter', mode: 'lines', x, y, line: { width, color }, hoverinfo: 'skip', showlegend: false }
}
const data = computed<Partial<PlotData>[]>(() => {
  const c = coloursOf(theme.value)
  const inks: Record<Standing, string> = {
    running: c.watch,
    'may be started': c.action,
    waits: c.soft,
    done: c.action,
  }
  const mine = here.value?.step.id ?? ''
  return [
    line((a, b) => a !== mine && b !== mine, 1, c.line),
    line((a, b) => a === mine || b === mine, 2.5, c.action),
    ...standings.map((standing): Partial<PlotData> => {
      const of = props.steps.filter((s) => rows.value.get(s.step.id)?.standing === standing)
      return {
        type: 'scatter',
        mode: 'text+markers',
        name: standing,
        x: of.map((s) => spots.value.get(s.step.id)!.x),
        y: of.map((s) => -spots.value.get(s.step.id)!.y),
        customdata: of.map((s) => s.step.id),
        text: of.map((s) => (s.step.id === mine ? s.step.name : '')),
        textposition: 'top center',
        textfont: { size: 13, color: c.ink },
        hovertext: of.map((s) => `${s.step.name}, ${showMinutes(s.step.minutes.value)}`),
        hoverinfo: 'text',
        marker: {
          symbol: symbols[standing],
          size: of.map((s) => (s.step.id === mine ? 20 : 13)),
          color: inks[standing],
          opacity: 1,
          line: { color: c.ink, width: of.map((s) => (s.step.id === mine ? 2.5 : 1)) },
        },
      }
    }),
  ]
})
const options = computed(() => props.steps.map((s) => ({ value: s.step.id, name: s.step.name })))
</script>

<template>
  <div class="graph">
    <GraphChart
      title="What waits for what: from left to right, right foot above, left foot below"
      :data="data"
      @choose="chosen = $event"
    />
    <div v-if="here" class="chosen card">
      <div class="head">
        <SelectField
          label="Step"
          name="graph-step"
          :value="here.step.id"
          :options="options"
          @choose="chosen = $event"
        />
        <ButtonLink :to="to(here.step.id)">Large</ButtonLink>
      </div>
      <div class="both">
        <div>
          <h2>Comes after</h2>
          <ul v-if="here.step.after.length > 0">
            <li v-for="a in here.step.after" :key="a.id">
              <strong>{{ a.name }}</strong>: {{ tell(a.why) }}.
            </li>
          </ul>
          <p v-else class="soft">Nothing: it may be the first.</p>
        </div>
        <div>
          <h2>Comes before</h2>
          <ul v-if="after.length > 0">
            <li v-for="s in after" :key="s.step.id">
              <strong>{{ s.step.name }}</strong>:
              {{ tell(s.step.after.find((a) => a.id === here?.step.id)?.why ?? '') }}.
            </li>
          </ul>
          <p v-else class="soft">Nothing: it is the last.</p>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.graph {
  display: grid;
  gap: 12px;
  margin-top: 12px;
}
.chosen {
  display: grid;
  gap: 10px;
  padding: 12px 16px;
}
.head {
  display: grid;
  grid-template-columns: minmax(0, 420px) auto;
  gap: 12px;
  align-items: end;
  justify-content: start;
}
.both {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 8px 24px;
}
h2 {
  margin: 0 0 4px;
  font-size: 18px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
