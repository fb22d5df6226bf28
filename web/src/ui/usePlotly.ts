import { useElementVisibility } from '@vueuse/core'
import type * as PlotlyLibrary from 'plotly.js-cartesian-dist-min'
import { onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue'

export type Plotly = typeof PlotlyLibrary

/** The library that draws charts, fetched when the place is first looked at: a page that is never opened never fetches it. */
export function usePlotly(place: Readonly<Ref<HTMLElement | null>>) {
  const plotly = shallowRef<Plotly | null>(null)
  const failed = ref(false)
  const seen = useElementVisibility(place)
  watch(
    seen,
    async (is) => {
      if (!is || plotly.value) return
      try {
        const loaded = (await import('plotly.js-cartesian-dist-min')) as Plotly & { default?: Plotly }
        plotly.value = loaded.default ?? loaded
      } catch {
        failed.value = true
      }
    },
    { immediate: true },
  )
  onBeforeUnmount(() => {
    if (plotly.value && place.value) plotly.value.purge(place.value)
  })
  return { plotly, failed, seen }
}
