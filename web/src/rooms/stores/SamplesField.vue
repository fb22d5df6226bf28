<script setup lang="ts">
import { NButton } from 'naive-ui'
import { IconX } from '@tabler/icons-vue'
import { computed } from 'vue'
import { lengthWord, showLength } from '../../app/settings.ts'
import FigureField from '../../ui/FigureField.vue'
import GaugeButton from '../../ui/gauge/GaugeButton.vue'

/** How thick a material is: by one reading of the gauge, or by several over the hide, whose mean it is planned with. */
const props = defineProps<{ thickness: number; samples: readonly number[] }>()
const emit = defineEmits<{ change: [{ thickness: number; samples: number[] }] }>()
const range = { min: 0.3, max: 12, step: 0.1 }
const most = 40
const mean = (of: readonly number[]) => Math.round((100 * of.reduce((sum, t) => sum + t, 0)) / of.length) / 100
/** One reading alone is the thickness itself. */
function take(samples: number[]): void {
  emit('change', {
    thickness: samples.length > 0 ? mean(samples) : props.thickness,
    samples: samples.length > 1 ? samples : [],
  })
}
const set = (n: number, value: number | null) => {
  if (value !== null) take(props.samples.map((t, i) => (i === n ? value : t)))
}
/** The first of several is what was read before. */
const add = () => take([...(props.samples.length > 0 ? props.samples : [props.thickness]), props.thickness])
/** The gauge's first reading takes the place of what was typed; what follows is read over the hide. */
let fresh = true
function heard(mm: number): void {
  if (fresh && props.samples.length === 0) take([mm])
  else if (props.samples.length < most) take([...(props.samples.length > 0 ? props.samples : [props.thickness]), mm])
  fresh = false
}
const said = computed(() => {
  const { samples, thickness } = props
  const [thin, thick] = [Math.min(...samples), Math.max(...samples)]
  return `${samples.length} readings, ${showLength(thin)} to ${showLength(thick)}; planned with their mean, ${showLength(thickness, 2)}.`
})
</script>

<template>
  <fieldset class="bare samples">
    <legend>Thickness, {{ lengthWord }}</legend>
    <FigureField
      v-if="samples.length === 0"
      :label="`Thickness, ${lengthWord}`"
      unit="mm"
      v-bind="range"
      :value="thickness"
      @change="emit('change', { thickness: $event ?? thickness, samples: [] })"
    />
    <div v-else class="readings">
      <span v-for="(t, n) in samples" :key="n" class="one">
        <FigureField
          :label="`Reading ${n + 1}, ${lengthWord}`"
          unit="mm"
          v-bind="range"
          :value="t"
          @change="set(n, $event)"
        />
        <NButton
          quaternary
          :aria-label="`Strike out reading ${n + 1}`"
          @click="take(samples.filter((_, i) => i !== n))"
        >
          <IconX :size="18" aria-hidden="true" />
        </NButton>
      </span>
    </div>
    <p v-if="samples.length > 0" class="soft" role="status">{{ said }}</p>
    <div v-if="samples.length < most" class="more">
      <NButton @click="add">Another reading over the hide</NButton>
      <GaugeButton label="From the gauge" many @read="heard" />
    </div>
  </fieldset>
</template>

<style scoped>
.samples {
  display: grid;
  gap: 8px;
}
.readings {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px;
}
.one {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 44px;
}
.samples p {
  margin: 0;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
