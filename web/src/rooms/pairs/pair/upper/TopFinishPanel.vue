<script setup lang="ts">
import type { TopFinishWork } from '@gentle-awl/core'
import { NTable } from 'naive-ui'
import { computed } from 'vue'
import { showLength, tell } from '../../../../app/settings.ts'
import { capital } from '../../../../ui/capital.ts'
import FoldOut from '../../../../ui/FoldOut.vue'

/** How the edge of the opening is finished: what is laid along it, and what it passes. */
const props = defineProps<{ work: TopFinishWork; to: (part: string) => string }>()
const parts = computed(() => {
  const { finish, strip, legs, tape } = props.work
  return [
    ...(strip
      ? [
          {
            id: finish === 'bead' ? 'bead' : 'binding',
            name: finish === 'bead' ? 'Bead' : 'Binding',
            size: `${showLength(strip.length, 0)} × ${showLength(strip.width)}`,
            more: legs ? `long leg ${showLength(legs.long)}, short leg ${showLength(legs.short)}` : '',
          },
        ]
      : []),
    ...(tape === null ? [] : [{ id: 'topTape', name: 'Tape', size: showLength(tape, 0), more: '' }]),
  ]
})
const cuts = computed(() => {
  const { slits, notches, finish } = props.work
  if (slits + notches === 0) return ''
  return [
    ...(slits > 0 ? [`${slits} ${finish === 'bead' ? 'kerfs' : 'slits'}`] : []),
    ...(notches > 0 ? [`${notches} notches`] : []),
  ].join(', ')
})
/** Marks and cuts in the order in which a strip passes them. */
const passed = computed(() => {
  const { marks, kerfs, nips, strip } = props.work
  if (!strip) return []
  return [
    ...marks.map((m) => ({ at: m.at, name: m.name })),
    ...kerfs.map((at) => ({ at, name: 'kerf' })),
    ...nips.map((at) => ({ at, name: 'notch' })),
  ].sort((a, b) => a.at - b.at)
})
</script>

<template>
  <h3>Top line: {{ work.finish }}{{ work.onFacings ? ', down the facings' : '' }}</h3>
  <ul class="plain-list">
    <li v-for="p in parts" :key="p.id" :data-testid="`edge-${p.id}`">
      <RouterLink :to="to(p.id)">{{ p.name }}</RouterLink>: {{ p.size }}{{ p.more ? `, ${p.more}` : '' }}
    </li>
    <li v-if="cuts">{{ cuts }}</li>
    <li v-for="(s, i) in work.sentences" :key="i">{{ tell(s) }}</li>
  </ul>
  <FoldOut v-if="passed.length > 0" title="Along the strip, from its end">
    <NTable size="small" :bordered="false">
      <tbody>
        <tr v-for="(p, i) in passed" :key="i">
          <td class="figure">{{ showLength(p.at, 0) }}</td>
          <td>{{ capital(p.name) }}</td>
        </tr>
      </tbody>
    </NTable>
  </FoldOut>
</template>
