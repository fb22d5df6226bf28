<script setup lang="ts">
import { materialRoles, roleNames, rolesOfKind, type MaterialKind, type MaterialRole } from '@gentle-awl/core'
import { NButton, NCheckbox, NCheckboxGroup } from 'naive-ui'
import { computed } from 'vue'
import FoldOut from '../../ui/FoldOut.vue'

/** What a material serves as in this workshop: as its kind usually does, or as its maker says. */
const props = defineProps<{ kind: MaterialKind; serves: MaterialRole[] | null }>()
const emit = defineEmits<{ change: [serves: MaterialRole[] | null] }>()
const roles = Object.keys(materialRoles) as MaterialRole[]
const usual = computed(() => rolesOfKind(props.kind))
const value = computed(() => props.serves ?? usual.value)
const title = computed(() => {
  const said = value.value.map((role) => roleNames[role].toLowerCase()).join('; ')
  return `Serves as: ${said || 'nothing'}`
})
/** In the order of the roles; the same as usual is no choice of its own. */
function choose(chosen: readonly (string | number)[]): void {
  const serves = roles.filter((role) => chosen.includes(role))
  emit('change', serves.join() === usual.value.join() ? null : serves)
}
</script>

<template>
  <FoldOut :title="title">
    <fieldset class="bare serves">
      <legend class="visually-hidden">Serves as</legend>
      <NCheckboxGroup :value="value" @update:value="choose">
        <div class="grid">
          <NCheckbox v-for="role in roles" :key="role" :value="role">{{ roleNames[role] }}</NCheckbox>
        </div>
      </NCheckboxGroup>
      <p v-if="serves" class="soft">
        By your own rule.
        <NButton text type="primary" @click="$emit('change', null)">As {{ kind }} usually does</NButton>
      </p>
    </fieldset>
  </FoldOut>
</template>

<style scoped>
.serves .grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 14px;
}
.serves p {
  margin: 8px 0 0;
}
</style>
