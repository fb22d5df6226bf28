<script setup lang="ts">
import { NButton } from 'naive-ui'
import { boxOf, DrawnLine, GeometryError, oldSock, RuleBook, type OldSock, type Path } from '@gentle-awl/core'
import { IconDownload } from '@tabler/icons-vue'
import { useLocalStorage } from '@vueuse/core'
import { computed, onMounted } from 'vue'
import { showFigure, tell } from '../../app/settings.ts'
import { pathData } from '../../drawing/svgPath.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import ChoiceBar from '../../ui/ChoiceBar.vue'
import DrawnLineFields from '../../ui/DrawnLineFields.vue'
import RoomState from '../../ui/RoomState.vue'
import { linerSheet } from './linerSheet.ts'
import { useAttempt } from '../../app/useAttempt.ts'

/** A new sock liner, with or without padding, for a shoe that was not made here: from the old liner, traced. */
const workshop = useWorkshop()
const { problem, attempt } = useAttempt()
const reaches = [
  { value: 'none', name: 'No padding' },
  { value: 'heel pad', name: 'Heel pad' },
  { value: 'half', name: 'Half' },
  { value: 'full', name: 'Full' },
] as const
type Reach = (typeof reaches)[number]['value']
/** Kept in this browser, so that a reload loses nothing. */
const kept = useLocalStorage<{ line: unknown; reach: Reach }>('gentle-awl.liner', { line: null, reach: 'none' })
const line = computed(() => DrawnLine.safeParse(kept.value.line).data ?? null)

async function load(): Promise<void> {
  await attempt(() => workshop.load())
}
onMounted(load)

const result = computed<{ liner: OldSock | null; wrong: string }>(() => {
  if (!line.value) return { liner: null, wrong: '' }
  try {
    return { liner: oldSock(line.value, kept.value.reach, new RuleBook(workshop.houseRules, {})), wrong: '' }
  } catch (error) {
    if (!(error instanceof GeometryError)) throw error
    return { liner: null, wrong: error.message }
  }
})
const view = computed(() => {
  const l = result.value.liner
  if (!l) return ''
  const b = boxOf(l.sock, l.padding ?? l.sock)
  return `${b.minX - 8} ${-b.maxY - 8} ${b.maxX - b.minX + 16} ${b.maxY - b.minY + 16}`
})
function download(): void {
  const l = result.value.liner
  if (!l) return
  const outlines: { name: string; path: Path }[] = [
    { name: 'Sock liner', path: l.sock },
    ...(l.padding ? [{ name: 'Padding', path: l.padding }] : []),
  ]
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([linerSheet(outlines)], { type: 'image/svg+xml' }))
  link.download = 'sock-liner.svg'
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}
</script>

<template>
  <section class="room-page narrow">
    <h1>A new liner for an old shoe</h1>
    <p class="soft">
      Take the old liner out, straighten it, trace it with a pencil and bring the tracing in. The new one is cut to its
      line; padding under it is cut larger and trimmed after gluing.
    </p>
    <RoomState :loading="!workshop.loaded" :problem="problem" what="The house rules" @retry="load">
      <div class="bench">
        <div class="fields card">
          <DrawnLineFields :line="line" what="a tracing of the old liner" @change="kept = { ...kept, line: $event }" />
          <template v-if="line">
            <span>Padding under it</span>
            <ChoiceBar
              label="Padding"
              :options="reaches"
              :value="kept.reach"
              @choose="kept = { ...kept, reach: $event }"
            />
          </template>
          <p v-if="result.wrong" class="wrong" role="alert">{{ result.wrong }}</p>
          <template v-if="result.liner">
            <ul class="plain-list reasons">
              <li v-for="b in result.liner.becauses" :key="b.quantity">
                <strong>{{ b.quantity }}: {{ showFigure(b.value, b.unit) }}</strong>
                <p class="soft">{{ tell(b.sentence) }}</p>
              </li>
            </ul>
            <p class="soft">
              Whether padding leaves the foot room enough cannot be told without the last: try the shoe on first.
            </p>
            <NButton type="primary" @click="download">
              <template #icon><IconDownload aria-hidden="true" /></template>
              Both feet at true size (SVG)
            </NButton>
          </template>
          <p v-else-if="!line" class="soft">Nothing is traced yet.</p>
        </div>
        <div v-if="result.liner" class="slate on-slate">
          <svg :viewBox="view" role="img" aria-label="The new liner, and its padding dashed">
            <path v-if="result.liner.padding" :d="pathData(result.liner.padding, true)" class="padding" />
            <path :d="pathData(result.liner.sock, true)" class="sock" />
          </svg>
        </div>
      </div>
    </RoomState>
  </section>
</template>

<style scoped>
.narrow {
  max-width: 1120px;
}
.bench {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 18px;
  align-items: start;
  margin-top: 14px;
}
.fields {
  display: grid;
  gap: 12px;
  justify-items: start;
  padding: 18px;
}
.reasons {
  gap: 10px;
}
.slate {
  padding: 18px;
  border-radius: 12px;
  background: var(--slate);
}
svg {
  display: block;
  width: 100%;
  max-height: 460px;
}
path {
  fill: none;
  stroke: #eef2ee;
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.padding {
  stroke: #c98a1b;
  stroke-dasharray: 8 5;
}
.wrong {
  color: var(--stop);
}
@media (max-width: 999px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
