<script setup lang="ts">
import { NButton } from 'naive-ui'
import { RouterLink, type RouteLocationRaw } from 'vue-router'

/** A way to another room that looks like a button: still a link, to be opened in a tab of its own. */
defineProps<{ to: RouteLocationRaw; main?: boolean }>()
</script>

<template>
  <RouterLink v-slot="{ href, navigate }" :to="to" custom>
    <NButton tag="a" :href="href" :type="main ? 'primary' : 'default'" @click="navigate">
      <template v-if="$slots.icon" #icon><slot name="icon" /></template>
      <slot />
    </NButton>
  </RouterLink>
</template>
