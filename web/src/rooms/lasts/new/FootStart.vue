<script setup lang="ts">
import { FootMeasures, lastForFoot, RuleBook, type LastMeasures } from '@gentle-awl/core'
import { computed, onMounted, ref, watch } from 'vue'
import { showLength, tell } from '../../../app/settings.ts'
import { useAttempt } from '../../../app/useAttempt.ts'
import { NEW_FEET, useFeet } from '../../../stores/feetStore.ts'
import { useWorkshop } from '../../../stores/workshopStore.ts'
import ChoiceBar from '../../../ui/ChoiceBar.vue'
import { feet as footNames, type Foot } from '../../../ui/feet.ts'
import FoldOut from '../../../ui/FoldOut.vue'
import SelectField from '../../../ui/SelectField.vue'
import FootFigures from '../FootFigures.vue'
import { START } from '../shape/figures.ts'
import { otherFigures } from './otherFigures.ts'

/** A last begins with the foot it is for: a customer's who was measured, or one that is measured now. */
const props = defineProps<{ start: string; startSide: Foot }>()
const emit = defineEmits<{ give: [figures: Partial<LastMeasures>] }>()
const feet = useFeet()
const workshop = useWorkshop()
const { problem, attempt } = useAttempt()

const NONE = 'none'
const whose = ref(props.start)
const side = ref<Foot>(props.startSide)
const foot = ref(whose.value === NEW_FEET ? feet.typedOf(NEW_FEET)[side.value] : FootMeasures.parse({}))
const options = computed(() => [
  { value: NONE, name: 'No foot: by its own figures' },
  { value: NEW_FEET, name: 'A foot that is measured now' },
  ...(feet.list ?? []).map((f) => ({ value: f.id, name: `Order ${f.order}, ${f.trade}` })),
])
const found = computed(() => lastForFoot(foot.value, START, new RuleBook(workshop.houseRules, {})))
function choose(id: string): void {
  whose.value = id
  if (id !== NONE) foot.value = feet.typedOf(id)[side.value]
}
function turn(next: Foot): void {
  side.value = next
  choose(whose.value)
}
let given: Partial<LastMeasures> = {}
/** What has become another goes out, no more: what was changed by hand meanwhile stays; what no foot tells any longer goes back. */
function give(): void {
  const { figures } = found.value
  const figuresNow = otherFigures(given, figures, START)
  given = figures
  if (Object.keys(figuresNow).length > 0) emit('give', figuresNow)
}
watch(found, give, { immediate: true })
onMounted(() =>
  attempt(async () => {
    await Promise.all([feet.load(), workshop.load()])
    // What is typed already into a new one stays.
    if (whose.value !== NONE && whose.value !== NEW_FEET) choose(whose.value)
  }),
)
</script>

<template>
  <fieldset class="start bare">
    <legend>The foot it is for</legend>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <SelectField quiet label="Made for" name="made-for" :value="whose" :options="options" @choose="choose" />
    <template v-if="whose !== NONE">
      <ChoiceBar v-if="whose !== NEW_FEET" label="Foot" :options="footNames" :value="side" @choose="turn" />
      <FootFigures :key="`${whose} ${side}`" :foot="foot" @change="foot = $event" />
      <p v-if="found.becauses.length === 0" class="soft">What is measured here fills the figures of the last.</p>
      <FoldOut v-else title="What follows for the last, and why" :open="true">
        <ul class="plain-list">
          <li v-for="b in found.becauses" :key="b.id">
            <strong
              >{{ b.quantity }} <span class="figure">{{ showLength(b.value) }}</span></strong
            >
            <span class="soft">{{ tell(b.sentence) }}</span>
          </li>
        </ul>
      </FoldOut>
    </template>
  </fieldset>
</template>

<style scoped>
.start {
  display: grid;
  gap: 10px;
}
.plain-list {
  gap: 8px;
}
li {
  display: grid;
  gap: 2px;
  font-size: 15px;
}
strong {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
</style>
