<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { NAlert } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { ApiError } from '../api/ask.ts'
import { api } from '../api/client.ts'
import { useAttempt } from './useAttempt.ts'

/** What is wrong with the server itself (a database that is held, a backup that failed), on whatever page one is. */
const EVERY = 60_000
const warning = ref('')

const { attempt } = useAttempt()
async function look(): Promise<void> {
  await attempt(
    async () => {
      warning.value = (await api.health()).warning
    },
    (refusal) => {
      // That it does not answer at all is said where something is asked of it.
      warning.value = refusal instanceof ApiError && refusal.status === 0 ? '' : refusal.message
    },
  )
}
onMounted(look)
useIntervalFn(look, EVERY)
</script>

<template>
  <NAlert v-if="warning" type="warning" class="warning" role="alert">
    {{ warning }} <RouterLink to="/backups">See the backups</RouterLink>
  </NAlert>
</template>

<style scoped>
.warning {
  margin: 12px 16px 0;
}
</style>
