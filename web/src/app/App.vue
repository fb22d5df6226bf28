<script setup lang="ts">
import { NButton } from 'naive-ui'
import {
  IconArchive,
  IconBulb,
  IconCalendar,
  IconMoon,
  IconPackage,
  IconRuler2,
  IconScale,
  IconShoe,
  IconSun,
  IconSunrise,
} from '@tabler/icons-vue'
import { onErrorCaptured, ref } from 'vue'
import { useRouter } from 'vue-router'
import LastIcon from './LastIcon.vue'
import NaiveFrame from './NaiveFrame.vue'
import ServerHealth from './ServerHealth.vue'
import ShortcutList from './ShortcutList.vue'
import { saidLast } from './say.ts'
import { lengthUnit, theme } from './settings.ts'
import { useShortcuts } from './shortcuts.ts'

const router = useRouter()
const places = [
  { to: '/today', name: 'Today', icon: IconSunrise },
  { to: '/pairs', name: 'Pairs', icon: IconShoe },
  { to: '/lasts', name: 'Lasts', icon: LastIcon },
  { to: '/stores', name: 'Stores', icon: IconPackage },
  { to: '/calendar', name: 'Calendar', icon: IconCalendar },
  { to: '/learned', name: 'Learned', icon: IconBulb },
  { to: '/rules', name: 'House rules', icon: IconScale },
  { to: '/backups', name: 'Backups', icon: IconArchive },
]
const helpOpen = ref(false)
const failure = ref<string | null>(null)

useShortcuts({
  '?': () => (helpOpen.value = true),
  '/': () => {
    const search = document.querySelector<HTMLInputElement>('input[type="search"]')
    if (search) search.focus()
    else void router.push('/pairs')
  },
})

onErrorCaptured((error) => {
  failure.value = error instanceof Error ? error.message : String(error)
  // It goes on to the console as well: what is shown here is only the sentence.
  return true
})
</script>

<template>
  <NaiveFrame>
    <a class="skip" href="#work">Skip to the work</a>
    <div class="frame">
      <nav class="rail" aria-label="Workshop">
        <img src="/awl.svg" alt="Gentle Awl" width="40" height="40" />
        <RouterLink v-for="place in places" :key="place.to" :to="place.to" class="place">
          <component :is="place.icon" :size="26" stroke-width="1.6" aria-hidden="true" />
          <span>{{ place.name }}</span>
        </RouterLink>
        <span class="gap" />
        <NButton
          quaternary
          class="place"
          :aria-label="lengthUnit === 'mm' ? 'Show inches' : 'Show millimetres'"
          @click="lengthUnit = lengthUnit === 'mm' ? 'inch' : 'mm'"
        >
          <IconRuler2 :size="24" stroke-width="1.6" aria-hidden="true" />
          <span>{{ lengthUnit }}</span>
        </NButton>
        <NButton
          quaternary
          class="place"
          :aria-label="theme === 'light' ? 'Evening light' : 'Daylight'"
          @click="theme = theme === 'light' ? 'dark' : 'light'"
        >
          <component :is="theme === 'light' ? IconMoon : IconSun" :size="24" stroke-width="1.6" aria-hidden="true" />
          <span>{{ theme === 'light' ? 'Evening' : 'Day' }}</span>
        </NButton>
        <NButton quaternary class="place keys" aria-label="Keyboard shortcuts" @click="helpOpen = true">
          <span class="key" aria-hidden="true">?</span>
          <span>Keys</span>
        </NButton>
      </nav>
      <main id="work" tabindex="-1">
        <div v-if="failure" class="failure" role="alert">
          <p>Something on this screen failed: {{ failure }} What you changed is kept. Reload the page to go on.</p>
          <NButton @click="failure = null">Close</NButton>
        </div>
        <ServerHealth />
        <RouterView />
      </main>
    </div>
    <p class="visually-hidden" role="status">{{ saidLast }}</p>
    <ShortcutList v-model:open="helpOpen" />
  </NaiveFrame>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template-columns: var(--rail) minmax(0, 1fr);
  height: 100%;
}
.rail {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 6px;
  padding: 14px 6px;
  background: var(--slate-deep);
  color: #e9efea;
  overflow-y: auto;
}
.rail img {
  margin-bottom: 12px;
}
.place {
  display: grid;
  justify-items: center;
  gap: 2px;
  width: 76px;
  padding: 8px 2px;
  border: 0;
  border-radius: 10px;
  background: transparent;
  color: inherit;
  font-size: 13px;
  letter-spacing: -0.01em;
  white-space: nowrap;
  line-height: 1.15;
  text-align: center;
  text-decoration: none;
  cursor: pointer;
}
button.place {
  height: auto;
}
.place :deep(.n-button__content) {
  flex-direction: column;
  gap: 2px;
  font-size: 13px;
  line-height: 1.15;
}
.place:hover {
  background: #2b3d46;
}
.place.router-link-active {
  background: #f6f7f4;
  color: #17262b;
  font-weight: 600;
}
.place:focus-visible {
  outline-color: #ffd48a;
}
.key {
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border: 1.6px solid currentcolor;
  border-radius: 6px;
  font-weight: 600;
}
.gap {
  flex: 1;
}
main {
  min-width: 0;
  height: 100%;
  overflow: auto;
  outline: none;
}
.failure {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 12px 20px;
  background: var(--stop-soft);
  color: var(--stop);
}
/* On a phone the rail lies under the thumb. */
@media (max-width: 599px) {
  .frame {
    grid-template: minmax(0, 1fr) auto / minmax(0, 1fr);
  }
  .rail {
    order: 1;
    flex-direction: row;
    justify-content: space-between;
    gap: 0;
    padding: 4px;
    /* What does not fit is reached by sliding. */
    overflow: auto hidden;
  }
  .rail img,
  .gap,
  .keys {
    display: none;
  }
  .place {
    flex: 1 0 auto;
    width: auto;
    min-width: 48px;
    padding: 6px 4px;
    font-size: 12px;
    white-space: normal;
  }
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 12px;
  top: 12px;
  z-index: 10;
  padding: 10px 14px;
  background: var(--raised);
}
</style>
