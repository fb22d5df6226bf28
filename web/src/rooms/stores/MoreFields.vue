<script setup lang="ts">
import { faces, hardnesses, priceUnits, type Material } from '@gentle-awl/core'
import FigureField from '../../ui/FigureField.vue'
import FoldOut from '../../ui/FoldOut.vue'
import SelectField from '../../ui/SelectField.vue'
import TextField from '../../ui/TextField.vue'

/** What else is known of a material: how it gives, how soft it is, what it takes and where it comes from. */
type More = Pick<Material, 'stretch' | 'hardness' | 'face' | 'coats' | 'source' | 'price'>
const props = defineProps<{ more: More }>()
const emit = defineEmits<{ change: [more: Partial<More>] }>()
const unknown = { value: '' as const, name: 'not said' }
const asOptions = <T extends string>(values: readonly T[]) => [
  unknown,
  ...values.map((value) => ({ value, name: value as string })),
]
const ways = ['tight', 'loose'] as const
const gives = (way: (typeof ways)[number]) => `Gives in its ${way} direction, %`
/** The loose direction gives at least what the tight one does: the other goes along. */
function setStretch(which: 'tight' | 'loose', value: number | null): void {
  if (value === null) return emit('change', { stretch: null })
  const now = props.more.stretch ?? { tight: value, loose: value }
  const stretch =
    which === 'tight'
      ? { tight: value, loose: Math.max(value, now.loose) }
      : { tight: Math.min(now.tight, value), loose: value }
  emit('change', { stretch })
}
const setPrice = (price: Partial<NonNullable<More['price']>> | null) =>
  emit('change', { price: price && { amount: 0, per: 'dm²', ...props.more.price, ...price } })
</script>

<template>
  <FoldOut title="More about it">
    <div class="more">
      <label v-for="way in ways" :key="way" class="field">
        <span>{{ gives(way) }}</span>
        <FigureField
          :label="gives(way)"
          empty="not measured"
          :value="more.stretch?.[way] ?? null"
          :min="0"
          :max="60"
          :step="1"
          @change="setStretch(way, $event)"
        />
      </label>
      <p class="soft all">
        Mark 100 mm on a strip, pull it by hand until it draws, and measure. The strain of an upper is held against it.
      </p>
      <SelectField
        label="In the hand"
        name="hardness"
        :value="more.hardness ?? ''"
        :options="asOptions(hardnesses)"
        @choose="emit('change', { hardness: $event || null })"
      />
      <SelectField
        label="Side that is seen"
        name="face"
        :value="more.face ?? ''"
        :options="asOptions(faces)"
        @choose="emit('change', { face: $event || null })"
      />
      <label class="field">
        <span>Coats of dye it takes</span>
        <FigureField
          label="Coats of dye it takes"
          empty="two or more"
          :value="more.coats"
          :min="1"
          :max="8"
          :step="1"
          @change="emit('change', { coats: $event })"
        />
      </label>
      <TextField
        label="Where it comes from"
        name="source"
        :most="120"
        :value="more.source"
        @change="emit('change', { source: $event })"
      />
      <label class="field">
        <span>Price, in your own money</span>
        <FigureField
          label="Price, in your own money"
          empty="not said"
          :value="more.price?.amount ?? null"
          :min="0"
          :max="100000"
          :step="0.1"
          @change="setPrice($event === null ? null : { amount: $event })"
        />
      </label>
      <SelectField
        v-if="more.price"
        label="For a"
        name="price-for"
        :value="more.price.per"
        :options="priceUnits.map((value) => ({ value, name: value as string }))"
        @choose="setPrice({ per: $event })"
      />
    </div>
  </FoldOut>
</template>

<style scoped>
.more {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 14px;
  align-items: end;
}
.all {
  grid-column: 1 / -1;
  margin: 0;
}
@media (max-width: 600px) {
  .more {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
