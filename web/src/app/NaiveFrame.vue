<script setup lang="ts">
import { enGB, dateEnGB, NConfigProvider } from 'naive-ui'
import { computed } from 'vue'
import { theme } from './settings.ts'
import { overridesOf, themeOf } from './theme.ts'

/** The component library in the house's colours, by day and by evening. */
const overrides = computed(() => overridesOf(theme.value))
</script>

<template>
  <NConfigProvider :theme="themeOf(theme)" :theme-overrides="overrides" :locale="enGB" :date-locale="dateEnGB" abstract>
    <slot />
  </NConfigProvider>
</template>
