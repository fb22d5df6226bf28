<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { NAlert } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { api, ApiError } from '../api/client.ts'

/** What is wrong with the server itself (a database that is held, a backup that failed), on whatever page one is. */
const EVERY = 60_000
const warning = ref('')

async function look(): Promise<void> {
  try {
    warning.value = (await api.health()).warning
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    // That it does not answer at all is said where something is asked of it.
    warning.value = error.status === 0 ? '' : error.message
  }
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
