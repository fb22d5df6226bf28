<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { say } from '../../../../app/say.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'
import { useOwnFaults, type OwnFault } from '../../../../stores/ownFaultsStore.ts'
import OwnFaultDialog from './OwnFaultDialog.vue'

/** Causes that the workshop wrote down itself: no figure ranks them. */
const props = defineProps<{ fault: OwnFault }>()
const emit = defineEmits<{ gone: [] }>()
const own = useOwnFaults()
const { problem, busy, attempt } = useAttempt()
const open = ref(false)
const remove = () =>
  attempt(async () => {
    await own.remove(props.fault)
    await say(`“${props.fault.name}” is deleted.`)
    emit('gone')
  })
</script>

<template>
  <section class="card own" :data-own-fault="fault.id">
    <p class="soft">The workshop’s own</p>
    <div v-for="c in fault.causes" :key="c.cause">
      <h3>{{ c.cause }}</h3>
      <p v-if="c.now"><strong>Now:</strong> {{ c.now }}</p>
      <p v-if="c.prevent"><strong>Next time:</strong> {{ c.prevent }}</p>
    </div>
    <div class="buttons">
      <NButton :aria-label="`Change ${fault.name}`" @click="open = true">Change</NButton>
      <NButton :aria-label="`Delete ${fault.name}`" :disabled="busy" @click="remove">Delete</NButton>
    </div>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <OwnFaultDialog v-model:open="open" :of="null" :changed="fault" />
  </section>
</template>

<style scoped>
.own {
  display: grid;
  gap: 8px;
  padding: 12px 16px;
}
.own p {
  margin: 0;
}
.buttons {
  display: flex;
  gap: 10px;
}
</style>
