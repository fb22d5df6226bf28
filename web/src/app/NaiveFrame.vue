<script setup lang="ts">
import { darkTheme, NConfigProvider, type GlobalThemeOverrides } from 'naive-ui'
import { computed } from 'vue'
import { theme } from './settings.ts'

/** The component library in the house's colours. */
const overrides = computed<GlobalThemeOverrides>(() => {
  const dark = theme.value === 'dark'
  return {
    common: {
      fontFamily: "'Atkinson Hyperlegible Next', sans-serif",
      fontSize: '17px',
      fontSizeSmall: '16px',
      fontSizeMedium: '16px',
      fontSizeLarge: '17px',
      // Dirty hands and a tablet: nothing to press is smaller.
      heightSmall: '44px',
      heightMedium: '44px',
      heightLarge: '44px',
      infoColor: dark ? '#7CC7AE' : '#1E5B4C',
      placeholderColor: dark ? '#A9B8B4' : '#56666B',
      primaryColor: dark ? '#7CC7AE' : '#1E5B4C',
      primaryColorHover: dark ? '#93D4BE' : '#2A7261',
      primaryColorPressed: dark ? '#69B39B' : '#174A3E',
      errorColor: dark ? '#F0939B' : '#A6303C',
      warningColor: '#C98A1B',
      textColorBase: dark ? '#E9EFEA' : '#17262B',
      bodyColor: dark ? '#141D21' : '#F6F7F4',
      cardColor: dark ? '#1C272C' : '#FFFFFF',
      modalColor: dark ? '#1C272C' : '#FFFFFF',
      borderRadius: '10px',
    },
    // An edge that is seen by those who see little: 3 to 1 on the paper of either theme.
    Input: { border: '1px solid #6f7f83', textColor: dark ? '#E9EFEA' : '#17262B' },
    Button: {
      border: '1px solid #6f7f83',
      color: dark ? '#1C272C' : '#FFFFFF',
      textColor: dark ? '#E9EFEA' : '#17262B',
    },
  }
})
</script>

<template>
  <NConfigProvider :theme="theme === 'dark' ? darkTheme : null" :theme-overrides="overrides" abstract>
    <slot />
  </NConfigProvider>
</template>
