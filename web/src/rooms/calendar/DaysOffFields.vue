<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { DaysOff } from '@gentle-awl/core'
import { ref } from 'vue'
import DayField from '../../ui/DayField.vue'
import TextField from '../../ui/TextField.vue'

/** Days on which nobody works, or one maker does not: those that are known, and more to be added. */
const props = defineProps<{
  days: readonly DaysOff[]
  /** Whose they are, as the names of the fields have it. */
  name: string
  /** What is done to days. */
  words: { add: string; remove: string }
}>()
const emit = defineEmits<{ change: [days: DaysOff[]] }>()
const [from, to, why] = [ref(''), ref(''), ref('')]
const wrong = ref('')
function add(): void {
  const last = to.value || from.value
  if (from.value === '' || last < from.value) {
    wrong.value = 'Give the first day, and a last one that is not before it.'
    return
  }
  wrong.value = ''
  const more = { from: from.value, to: last, why: why.value }
  emit(
    'change',
    [...props.days, more].sort((a, b) => (a.from < b.from ? -1 : 1)),
  )
  ;[from.value, to.value, why.value] = ['', '', '']
}
</script>

<template>
  <div class="all">
    <ul v-if="days.length > 0">
      <li v-for="(d, i) in days" :key="i">
        <span>{{ d.from === d.to ? d.from : `${d.from} to ${d.to}` }} {{ d.why }}</span>
        <NButton
          :aria-label="`${words.remove}: ${d.from}`"
          @click="
            emit(
              'change',
              days.filter((_, k) => k !== i),
            )
          "
        >
          {{ words.remove }}
        </NButton>
      </li>
    </ul>
    <div class="off">
      <DayField v-model:value="from" label="From" :name="`${name}-from`" />
      <DayField v-model:value="to" label="To" :name="`${name}-to`" />
      <TextField v-model:value="why" label="Why" :most="80" />
      <NButton @click="add">{{ words.add }}</NButton>
    </div>
    <p v-if="wrong" class="bad" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.all {
  display: grid;
  gap: 10px;
}
ul {
  display: grid;
  gap: 6px;
  margin: 0;
  padding-left: 20px;
}
li span {
  margin-right: 12px;
}
.off {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 12px;
  align-items: end;
}
</style>
