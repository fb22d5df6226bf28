import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import GaugeButton from '../../ui/gauge/GaugeButton.vue'
import FoamTestFields from './FoamTestFields.vue'

it('has the gauge read one figure of the test after the other, as it goes', async () => {
  const test = { before: 6, pressed: 2, afterOne: 5, afterTen: 6 }
  const w = mount(FoamTestFields, { props: { test, others: [] } })
  const gauge = () => w.getComponent(GaugeButton)
  const labels: string[] = []
  for (const mm of [8, 3, 6.5, 7.5]) {
    labels.push(gauge().text())
    gauge().vm.$emit('read', mm)
    await w.setProps({ test: w.emitted('change')!.at(-1)![0] as typeof test })
  }
  expect(labels.map((l) => l.split(':')[0])).toEqual(['Before', 'Pressed', 'After 1 min', 'After 10 min'])
  expect(w.props('test')).toEqual({ before: 8, pressed: 3, afterOne: 6.5, afterTen: 7.5 })
})
