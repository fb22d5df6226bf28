<script setup lang="ts">
import { tools, type Step } from '@gentle-awl/core'
import { tell } from '../../../../app/settings.ts'

/** What is laid out for a step: tools, what is used up and how much of it, and what to look at before it counts as done. */
defineProps<{ step: Step }>()
const units = { m: 'm', g: 'g', ml: 'ml', pieces: '' } as const
</script>

<template>
  <dl v-if="step.tools.length > 0 || step.stuff.length > 0 || step.look.length > 0" class="laid-out">
    <template v-if="step.tools.length > 0">
      <dt>Lay out</dt>
      <dd>{{ step.tools.map((t) => tools[t]).join('; ') }}</dd>
    </template>
    <template v-if="step.stuff.length > 0">
      <dt>It takes</dt>
      <dd>
        <span v-for="s in step.stuff" :key="s.name" class="stuff">
          <strong class="figure">{{ s.amount }} {{ units[s.unit] }}</strong> {{ s.name }}:
          <span class="soft">{{ tell(s.sentence) }}</span>
        </span>
      </dd>
    </template>
    <template v-if="step.look.length > 0">
      <dt>Look at</dt>
      <dd>
        <ul>
          <li v-for="(l, i) in step.look" :key="i">{{ tell(l) }}</li>
        </ul>
      </dd>
    </template>
  </dl>
</template>

<style scoped>
.laid-out {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 6px 12px;
  margin: 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
.stuff {
  display: block;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
