<script setup lang="ts">
const lines = [
  { name: 'Cut, inside of the line', stroke: '#eef2ee', width: 2, dash: '' },
  { name: 'Feather line of the last', stroke: '#a9bac0', width: 3, dash: '', double: true },
  { name: 'Fold', stroke: '#eef2ee', width: 1.5, dash: '16 6' },
  { name: 'Stitch line, a tick at every hole', stroke: '#eef2ee', width: 9, dash: '1.8 9' },
  { name: 'Crease line, joint to joint', stroke: '#ffd48a', width: 1.8, dash: '2 5' },
  { name: 'Centre line', stroke: '#a9bac0', width: 1.1, dash: '9 5' },
  { name: 'Another part, to compare', stroke: '#8fa3aa', width: 1.2, dash: '3 3' },
]
</script>

<template>
  <ul class="legend" aria-label="What the lines mean">
    <li v-for="l in lines" :key="l.name">
      <svg width="56" height="14" aria-hidden="true">
        <line x1="0" x2="56" y1="7" y2="7" :stroke="l.stroke" :stroke-width="l.width" :stroke-dasharray="l.dash" />
        <line v-if="l.double" x1="0" x2="56" y1="7" y2="7" stroke="#1b282f" stroke-width="1.4" />
      </svg>
      {{ l.name }}
    </li>
    <li>
      <svg width="56" height="14" aria-hidden="true"><rect width="56" height="14" fill="#c98a1b" opacity=".5" /></svg>
      Skive, width to scale
    </li>
    <li>
      <svg width="56" height="14" aria-hidden="true">
        <path d="M0 4H22L28 13 34 4H56" fill="none" stroke="#eef2ee" stroke-width="2" />
      </svg>
      Notch: medial side, ends of the centre line
    </li>
    <li>
      <svg width="56" height="14" aria-hidden="true">
        <path d="M0 7H50M44 2 54 7 44 12Z" fill="#eef2ee" stroke="#eef2ee" />
      </svg>
      Grain, tight direction
    </li>
  </ul>
</template>

<style scoped>
.legend {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 14px 18px;
  border-radius: 12px;
  background: #1b282f;
  color: #eef2ee;
  list-style: none;
  font-size: 15px;
}
li {
  display: flex;
  gap: 12px;
  align-items: center;
}
</style>
