import { createDiscreteApi } from 'naive-ui'
import { computed } from 'vue'
import { theme } from './settings.ts'
import { overridesOf, themeOf } from './theme.ts'

/** The library's messages in the house's colours; it is fetched when the first is shown. */
export const { message } = createDiscreteApi(['message'], {
  configProviderProps: computed(() => ({ theme: themeOf(theme.value), themeOverrides: overridesOf(theme.value) })),
  messageProviderProps: { placement: 'bottom', duration: 4000, keepAliveOnHover: true },
})
