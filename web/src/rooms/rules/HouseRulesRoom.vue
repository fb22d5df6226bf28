<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ruleChapters, type Rule, type RuleFigures } from '@gentle-awl/core'
import { onMounted, ref, shallowRef } from 'vue'
import { api, ApiError } from '../../api/client.ts'
import { useWorkshop } from '../../stores/workshopStore.ts'
import FigureField from '../../ui/FigureField.vue'
import RoomState from '../../ui/RoomState.vue'
import RuleTrial from './RuleTrial.vue'
import { useAttempt } from '../../app/useAttempt.ts'
import { exactFigure, tell, unitBeside } from '../../app/settings.ts'

const workshop = useWorkshop()
const { problem, attempt } = useAttempt()
const { attempt: attemptSave } = useAttempt()
const wrong = ref<{ key: string; message: string } | null>(null)
const kept = ref('')

async function load(): Promise<void> {
  await attempt(() => workshop.load())
}
const figure = (rule: Rule) => workshop.houseRules[rule.key] ?? rule.value
const changed = (rule: Rule) => workshop.houseRules[rule.key] !== undefined

async function save(key: string, rules: RuleFigures, done: string): Promise<void> {
  wrong.value = null
  kept.value = ''
  await attemptSave(
    async () => {
      const r = await api.changeHouseRules(workshop.houseRulesVersion, rules)
      workshop.houseRules = r.houseRules
      workshop.houseRulesVersion = r.version
      kept.value = done
    },
    async (refusal) => {
      const overtaken = refusal instanceof ApiError && refusal.status === 409
      wrong.value = {
        key,
        message: overtaken ? `${refusal.message} The figures shown now are the saved ones.` : refusal.message,
      }
      if (overtaken) await load()
    },
  )
}
/** A figure that was typed and is not kept yet; what it would change is shown first. */
const tried = shallowRef<{ rule: Rule; value: number } | null>(null)
function set(rule: Rule, value: number | null): void {
  if (value === null) return
  wrong.value = null
  tried.value = value === figure(rule) ? null : { rule, value }
}
function keep(): void {
  if (!tried.value) return
  const { rule, value } = tried.value
  tried.value = null
  void save(
    rule.key,
    { ...workshop.houseRules, [rule.key]: value },
    `${rule.name}: ${exactFigure(value, rule.unit)}. Every pair follows from now on.`,
  )
}
function back(rule: Rule): void {
  const rules = { ...workshop.houseRules }
  delete rules[rule.key]
  void save(rule.key, rules, `${rule.name} is back at ${exactFigure(rule.value, rule.unit)}.`)
}
onMounted(load)
</script>

<template>
  <section class="room-page narrow">
    <h1>House rules</h1>
    <p class="soft">
      Every figure the plan works by, and why. A change here goes for all pairs that have no figure of their own.
    </p>
    <p class="kept" role="status">{{ kept }}</p>
    <RoomState :loading="!workshop.loaded" :problem="problem" what="The house rules" @retry="load">
      <section v-for="chapter in ruleChapters" :key="chapter.name" class="chapter">
        <h2>{{ chapter.name }}</h2>
        <ul class="card">
          <li v-for="rule in chapter.rules" :key="rule.key" :class="{ changed: changed(rule) }">
            <div>
              <p class="name">{{ rule.name }}</p>
              <p class="soft">{{ tell(rule.why) }}</p>
              <p v-if="wrong?.key === rule.key" class="wrong" role="alert">{{ wrong.message }}</p>
            </div>
            <div class="set">
              <FigureField
                class="to-set"
                :step="(rule.max - rule.min) / 20"
                :min="rule.min"
                :max="rule.max"
                :value="tried?.rule.key === rule.key ? tried.value : figure(rule)"
                :label="rule.name"
                :unit="rule.unit"
                @change="set(rule, $event)"
              />
              <span class="unit">{{ unitBeside(rule.unit) }}</span>
              <span class="range figure soft"
                >{{ exactFigure(rule.min, rule.unit) }} to {{ exactFigure(rule.max, rule.unit) }}</span
              >
              <NButton v-if="changed(rule)" @click="back(rule)">
                Back to {{ exactFigure(rule.value, rule.unit) }}
              </NButton>
            </div>
            <RuleTrial
              v-if="tried?.rule.key === rule.key"
              :rule="rule"
              :value="tried.value"
              :now="figure(rule)"
              class="trial"
              @keep="keep"
              @leave="tried = null"
            />
          </li>
        </ul>
      </section>
    </RoomState>
  </section>
</template>

<style scoped>
.narrow {
  max-width: 1120px;
}
.kept {
  min-height: 26px;
  color: var(--action);
  font-weight: 600;
}
.chapter {
  margin-bottom: 26px;
}
h2 {
  margin-bottom: 10px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
  overflow: hidden;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 16px;
  align-items: center;
  padding: 10px 18px;
}
li + li {
  border-top: 1px solid var(--line);
}
li.changed {
  background: var(--action-soft);
}
.name {
  font-weight: 600;
}
.set {
  display: grid;
  grid-template-columns: 100px 1fr;
  gap: 2px 10px;
  align-items: center;
}
.set .to-set {
  text-align: right;
}
.range,
.set .n-button {
  grid-column: 1 / -1;
  font-size: 15px;
}
.trial {
  grid-column: 1 / -1;
}
.wrong {
  color: var(--stop);
}
@media (max-width: 999px) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
