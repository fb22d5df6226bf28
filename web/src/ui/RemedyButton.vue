<script setup lang="ts">
import { handFigures, ruleOf, roleNames, type Control, type Remedy } from '@gentle-awl/core'
import { NButton } from 'naive-ui'
import { useRouter, type RouteLocationRaw } from 'vue-router'
import { showFigure, tell } from '../app/settings.ts'
import { capital } from './capital.ts'
import { usePair } from '../stores/pairStore.ts'

/** What mends a finding, at a press: it sets the figure, makes the choice, or leads to the field where one is made. */
const props = defineProps<{ remedy: Remedy }>()
const emit = defineEmits<{ press: [] }>()
const pair = usePair()
const router = useRouter()

function placeName(control: Control): string {
  switch (control.room) {
    case 'decisions':
      if ('piece' in control) return `Choose another material: ${control.piece.name}`
      if (control.at === 'last') return 'Choose another last'
      return control.at === 'cup sole'
        ? 'Choose a bought sole'
        : `Choose another material: ${roleNames[control.at].toLowerCase()}`
    case 'upper':
      return 'Show the point on the forme'
    case 'last':
      return control.page === 'measure' ? 'Go to the measures of this last' : 'Build this last up'
    case 'stores':
      return 'Go to the stores'
  }
}
function nameOf(remedy: Remedy): string {
  switch (remedy.kind) {
    case 'rule': {
      const rule = ruleOf(remedy.key)
      return `Mend it: ${rule?.name ?? remedy.key}, ${showFigure(remedy.value, rule?.unit ?? 'mm')}`
    }
    case 'hand': {
      const { name, unit } = handFigures[remedy.decision]
      return `Mend it: ${capital(name)}, ${showFigure(remedy.value, unit)}`
    }
    case 'choice':
      return `Mend it: ${capital(tell(remedy.name))}`
    case 'open':
      return placeName(remedy.control)
  }
}

/** The field's name as it stands in the room of decisions. */
function fieldOf(control: Extract<Control, { room: 'decisions' }>): string {
  if ('piece' in control) return `piece-${control.piece.id}`
  const { at } = control
  return at === 'last' ? 'last' : at === 'cup sole' ? 'cup-sole' : `material-${at}`
}
function placeOf(control: Control): RouteLocationRaw {
  const of = `/pairs/${pair.view?.id ?? ''}`
  switch (control.room) {
    case 'decisions':
      return { path: `${of}/decisions`, query: { at: fieldOf(control) } }
    case 'upper':
      return { path: `${of}/upper`, query: { point: control.point } }
    case 'last': {
      const d = pair.decisions
      const last = (pair.ownLeft && d?.left?.lastId) || d?.lastId
      return `/lasts/${last ?? ''}/${control.page}`
    }
    case 'stores':
      return '/stores'
  }
}
function press(): void {
  emit('press')
  if (props.remedy.kind === 'open') void router.push(placeOf(props.remedy.control))
  else pair.mend(props.remedy)
}
</script>

<template>
  <NButton class="remedy" :type="remedy.kind === 'open' ? 'default' : 'primary'" @click="press">{{
    nameOf(remedy)
  }}</NButton>
</template>

<style scoped>
.remedy {
  margin-top: 8px;
}
</style>
