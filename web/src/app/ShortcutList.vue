<script setup lang="ts">
import { NTable } from 'naive-ui'
import HouseDialog from '../ui/HouseDialog.vue'
import { shortcuts } from './shortcuts.ts'

const open = defineModel<boolean>('open', { required: true })
</script>

<template>
  <HouseDialog v-model:open="open" title="Keys">
    <NTable size="small" :bordered="false" class="keys">
      <tbody>
        <tr v-for="s in shortcuts" :key="s.keys">
          <th scope="row">
            <kbd>{{ s.keys }}</kbd>
          </th>
          <td>{{ s.does }}</td>
        </tr>
      </tbody>
    </NTable>
  </HouseDialog>
</template>

<style scoped>
.keys th {
  text-align: left;
  padding: 8px 20px 8px 0;
  white-space: nowrap;
}
kbd {
  font: inherit;
  font-weight: 600;
}
</style>
