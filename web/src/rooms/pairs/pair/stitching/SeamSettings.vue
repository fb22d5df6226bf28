<script setup lang="ts">
import { handStitches, type HandStitch, type OwnSeam, type Seam } from '@gentle-awl/core'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { showLength } from '../../../../app/settings.ts'
import FigureField from '../../../../ui/FigureField.vue'
import SelectField from '../../../../ui/SelectField.vue'
import type { SeamSetting } from './ownSeam.ts'

/** How one seam is sewn where it shall differ from the rest of the pair. */
const props = defineProps<{ seam: Seam; own: OwnSeam | null; settable: readonly SeamSetting[] }>()
const emit = defineEmits<{ change: [own: Partial<OwnSeam>] }>()
const can = (what: SeamSetting) => props.settable.includes(what)
const differs = computed(() => props.own !== null)
const back = (): Partial<OwnSeam> => ({ by: null, pitch: null, fromEdge: null, stitch: null, rows: null })
const stitchNames: Record<HandStitch, string> = {
  'two needles': 'with two needles',
  running: 'running, one needle in and out',
  whip: 'whipped round both edges',
}
</script>

<template>
  <section aria-label="This seam alone" class="settings">
    <h3>This seam alone</h3>
    <SelectField
      v-if="can('by')"
      label="Sewn"
      name="seam-by"
      :value="own?.by ?? ''"
      :options="[
        { value: '', name: 'like the rest of the pair' },
        { value: 'machine', name: 'by machine' },
        { value: 'hand', name: 'by hand' },
      ]"
      @choose="emit('change', { by: $event === '' ? null : $event })"
    />
    <SelectField
      v-if="can('stitch')"
      label="Stitched"
      name="seam-stitch"
      :value="own?.stitch ?? 'two needles'"
      :options="handStitches.map((value) => ({ value, name: stitchNames[value] }))"
      @choose="emit('change', { stitch: $event === 'two needles' ? null : $event })"
    />
    <div v-if="can('pitch')" class="words-and-field">
      <span>Stitch</span>
      <FigureField
        :value="own?.pitch ?? null"
        unit="mm"
        :min="0.8"
        :max="14"
        :empty="`${showLength(seam.pitch, 2)} by rule`"
        label="Stitch of this seam"
        @change="emit('change', { pitch: $event })"
      />
    </div>
    <div v-if="can('fromEdge')" class="words-and-field">
      <span>From the edge</span>
      <FigureField
        :value="own?.fromEdge ?? null"
        unit="mm"
        :min="0.5"
        :max="14"
        :empty="`${showLength(seam.fromEdge, 2)} by rule`"
        label="Row of this seam from the edge"
        @change="emit('change', { fromEdge: $event })"
      />
    </div>
    <div v-if="can('rows')" class="words-and-field">
      <span>Rows</span>
      <FigureField
        :value="own?.rows ?? null"
        whole
        :min="1"
        :max="3"
        :empty="`${seam.rows} by rule`"
        label="Rows of this seam"
        @change="emit('change', { rows: $event })"
      />
    </div>
    <NButton v-if="differs" @click="emit('change', back())">Like the rest of the pair</NButton>
    <p v-if="settable.length === 0" class="soft">
      All partners share these very holes: the style or the sole lays them out, by the house rules.
    </p>
  </section>
</template>

<style scoped>
.settings {
  display: grid;
  gap: 8px;
}
</style>
