<script setup lang="ts">
/** What a room shows before it can show its work: loading, or why not. */
defineProps<{ loading: boolean; problem: string | null; what: string }>()
defineEmits<{ retry: [] }>()
</script>

<template>
  <div v-if="problem" class="state" role="alert">
    <h2>{{ what }} cannot be shown</h2>
    <p>{{ problem }}</p>
    <button class="button main" type="button" @click="$emit('retry')">Try again</button>
  </div>
  <div v-else-if="loading" class="state" role="status">
    <span class="thread" aria-hidden="true" />
    <p>Fetching {{ what.toLowerCase() }} …</p>
  </div>
  <slot v-else />
</template>

<style scoped>
.state {
  display: grid;
  justify-items: start;
  align-content: start;
  gap: 14px;
  padding: 48px 32px;
  max-width: 640px;
}
.thread {
  width: 160px;
  height: 4px;
  border-radius: 2px;
  background: linear-gradient(90deg, transparent, var(--action), transparent) 0 0 / 60px 100% no-repeat var(--line);
  animation: pull 1.2s linear infinite;
}
@keyframes pull {
  to {
    background-position: 220px 0;
  }
}
@media (prefers-reduced-motion: reduce) {
  .thread {
    animation: none;
  }
}
</style>
