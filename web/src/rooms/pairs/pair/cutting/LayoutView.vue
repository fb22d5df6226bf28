<script setup lang="ts">
import { boxOf, turnedInPlace, type CuttingGroup } from '@gentle-awl/core'
import { useLocalStorage } from '@vueuse/core'
import { NButton, NProgress, NSwitch } from 'naive-ui'
import { computed, ref } from 'vue'
import { showArea } from '../../../../app/settings.ts'
import { usePair } from '../../../../stores/pairStore.ts'
import { useWorkshop } from '../../../../stores/workshopStore.ts'
import BecausePanel from '../../../../ui/BecausePanel.vue'
import { capital } from '../../../../ui/capital.ts'
import ChoiceBar from '../../../../ui/ChoiceBar.vue'
import ChosenList from '../../../../ui/ChosenList.vue'
import FigureField from '../../../../ui/FigureField.vue'
import LengthField from '../../../../ui/LengthField.vue'
import RoomState from '../../../../ui/RoomState.vue'
import HidesTried from './HidesTried.vue'
import LaidOnFields from './LaidOnFields.vue'
import { laidPieces, type LaidPiece } from './laidPieces.ts'
import LaidPieceFields from './LaidPieceFields.vue'
import LayoutDrawing from './LayoutDrawing.vue'
import LayoutOut from './LayoutOut.vue'
import { layoutVerdict, matesSentence, reachOf, wrongSentence } from './layoutVerdict.ts'
import { searchWords } from './searchWords.ts'
import { movedGround, sideBySide } from './sideBySide.ts'
import { useLayout } from './useLayout.ts'

/** One stuff of the pair laid out on a straight sheet or on hides of the stores, with that of other pairs where it is cut together. */
const props = defineProps<{ group: CuttingGroup }>()
const pair = usePair()
const workshop = useWorkshop()
const id = pair.view!.id
const room = useLayout(id, () => props.group)
const { layout, search, server, busy, places, pieces, unlaid, wrong } = room
const seconds = useLocalStorage('gentle-awl.layout-seconds', 10)
/** Where it is looked for: on the server it goes on when this page is closed, for up to an hour. */
const where = useLocalStorage<'page' | 'server'>('gentle-awl.layout-where', 'page')
const turns = [
  { value: 'along', name: 'Tight along it' },
  { value: 'near', name: 'Within 10°' },
  { value: 'free', name: 'As they fit' },
] as const
const lookers = [
  { value: 'page', name: 'Look on this page' },
  { value: 'server', name: 'Let the server look' },
] as const
const longest = computed(() => (where.value === 'page' ? 600 : 3600))
function look(): void {
  const so = Math.min(longest.value, seconds.value)
  void (where.value === 'page' ? room.layOut(so) : room.leaveToServer(so))
}
const progress = computed(() => search.progress.value ?? server.progress.value ?? 0)
/** What the server says of its search, unless the page looks itself. */
const served = computed(() =>
  search.progress.value === null ? searchWords(server.search.value, room.version.value) : '',
)

const orderOf = (which: string) => room.pairs.value.find((p) => p.id === which)?.order ?? ''
const pairOptions = computed(() =>
  room.pairs.value.filter((p) => p.id !== id).map((p) => ({ value: p.id, name: `${p.order}, ${p.name}` })),
)
const also = computed(() =>
  layout.value.also.map(
    (which) => pairOptions.value.find((o) => o.value === which) ?? { value: which, name: 'a pair' },
  ),
)
/** Pairs that were added and have nothing of this stuff. */
const without = computed(() => layout.value.also.filter((which) => room.others.get(which) === null).map(orderOf))
function leave(index: number): void {
  const gone = layout.value.also[index]
  room.change({
    also: layout.value.also.filter((_, k) => k !== index),
    places: layout.value.places.filter((p) => p.pair !== gone),
  })
}

const materials = computed(() => workshop.materials.filter((m) => m.name === props.group.material).map((m) => m.id))
/** Hides of this layout are offered also when they are used up since. */
const taken = computed(() => new Set(layout.value.grounds.flatMap((g) => ('hide' in g ? [g.hide] : []))))
const hideOptions = computed(() =>
  room.hides.value
    .filter(
      (h) => (!h.used || taken.value.has(h.id)) && h.materialId !== null && materials.value.includes(h.materialId),
    )
    .map((h) => ({ value: h.id, name: `${h.name}${h.place ? `, ${h.place.toLowerCase()}` : ''}` })),
)
const straight = computed(() => !('hide' in layout.value.grounds[0]!))
const shifts = computed(() => sideBySide(room.grounds.value))
const drawn = computed(() => room.grounds.value.map((g, k) => movedGround(g, shifts.value[k]!)))
const laid = computed(() => laidPieces(pieces.value, places.value, shifts.value, orderOf))
const wrongAt = computed(() => new Set(wrong.value.flatMap((w) => ('other' in w ? [w.at, w.other] : [w.at]))))
const reach = computed(() => (straight.value ? reachOf(pieces.value, places.value) : 0))
const left = computed(() => unlaid.value.reduce((sum, p) => sum + p.cut.count, 0))

const chosen = ref('')
const one = computed(() => laid.value.find((l) => l.key === chosen.value) ?? null)
const words = (at: number) => laid.value.find((l) => l.at === at)?.words ?? 'A piece'
const turn = (piece: LaidPiece, by: number) =>
  room.move(piece.place, turnedInPlace(piece.place, piece.cut.outline, by), { rests: true })

const verdict = computed(() =>
  places.value.length === 0
    ? ''
    : layoutVerdict({
        pieces: pieces.value,
        places: places.value,
        left: left.value,
        grounds: room.grounds.value,
        straight: straight.value,
        busy: busy.value,
      }),
)
/** On a straight sheet all is alike. */
const mates = computed(() => (straight.value ? '' : matesSentence(pieces.value, places.value)))
const strips = computed(() => props.group.pieces.filter((p) => p.strip).map((p) => p.name))
const area = computed(() => pieces.value.reduce((sum, p) => sum + (p.piece.area * p.cut.count) / p.piece.count, 0))
function put(index: number): void {
  const piece = unlaid.value[index]!
  const b = boxOf(room.grounds.value[0]!.outline)
  room.put(piece, 0, [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2])
  // The one that was put on last lies on top.
  chosen.value = laid.value.at(-1)?.key ?? ''
}
</script>

<template>
  <RoomState
    v-if="!room.ready.value"
    :loading="room.cannotLoad.value === ''"
    :problem="room.cannotLoad.value || null"
    what="The layout"
    @retry="room.load"
  />
  <div v-else class="work-and-panel">
    <LayoutDrawing
      v-model:chosen="chosen"
      :label="`${laid.length} pieces of ${group.material} on ${straight ? 'a sheet' : drawn.length > 1 ? `${drawn.length} hides` : 'a hide'}`"
      :grounds="drawn"
      :shifts="shifts"
      :straight="straight"
      :pieces="laid"
      :wrong="wrongAt"
      :reach="reach"
      :busy="busy"
      @hold="room.hold($event.place)"
      @move="(piece, to, first, rests) => room.move(piece.place, to, { first, rests })"
      @let-go="room.letGo"
      @turn="turn"
      @pin="room.move($event.place, { pinned: !$event.place.pinned })"
    />
    <BecausePanel :title="capital(group.material)">
      <p v-if="room.note.value" class="soft" role="status">{{ room.note.value }}</p>
      <p v-if="room.cannotKeep.value" role="alert">
        {{ room.cannotKeep.value }} <NButton @click="room.keep">Keep it now</NButton>
      </p>
      <p v-if="search.problem.value" role="alert">{{ search.problem.value }}</p>
      <p v-else-if="verdict" role="status" data-testid="verdict">{{ verdict }}</p>
      <p v-else class="soft">
        The pieces cover {{ showArea(area) }}. Laid out, one sees how much of a sheet they take; it gets better with
        every second.
      </p>
      <p v-if="server.problem.value" role="alert">{{ server.problem.value }}</p>
      <p v-else-if="served" class="soft" role="status" data-testid="served">{{ served }}</p>
      <p v-if="mates && !busy" class="soft">{{ mates }}</p>
      <ul v-if="wrong.length > 0" class="wrong" aria-label="What is wrong">
        <li v-for="(w, i) in wrong" :key="i">
          <NButton text type="error" @click="chosen = laid.find((l) => l.at === w.at)?.key ?? ''">{{
            wrongSentence(w, words, layout.gap)
          }}</NButton>
        </li>
      </ul>
      <div class="buttons">
        <NButton v-if="busy" @click="room.stop">Stop</NButton>
        <NButton v-else type="primary" :disabled="room.waiting.value" @click="look">{{
          places.some((p) => p.pinned) ? 'Lay the rest' : 'Lay out'
        }}</NButton>
        <NButton v-if="room.before.value.length > 0" @click="room.back">Take back</NButton>
      </div>
      <NProgress v-if="busy" type="line" :percentage="Math.round(100 * progress)" aria-label="Laying out" />
      <LaidPieceFields
        v-if="one && !busy"
        :piece="one"
        :ground="room.grounds.value[one.place.on]!"
        @move="room.move(one.place, $event)"
        @take-off="room.takeOff(one.place)"
      />
      <template v-if="places.length > 0 && left > 0 && !busy">
        <h3>Not laid yet</h3>
        <ul class="unlaid">
          <li v-for="(u, i) in unlaid" :key="`${u.pair} ${u.piece.record} ${u.cut.foot}`">
            <span>{{ u.piece.name }}, {{ u.cut.foot }}{{ u.cut.count > 1 ? ` × ${u.cut.count}` : '' }}</span>
            <NButton :aria-label="`Put ${u.piece.name}, ${u.cut.foot}, on it`" @click="put(i)">Put it on</NButton>
          </li>
        </ul>
      </template>
      <div class="fields">
        <LaidOnFields :layout="layout" :hides="hideOptions" @change="room.change" />
        <HidesTried
          v-if="hideOptions.length > 1 && !room.waiting.value"
          :pieces="pieces"
          :layout="layout"
          :hides="room.hides.value.filter((h) => hideOptions.some((o) => o.value === h.id))"
          @choose="room.change({ grounds: [{ hide: $event }], places: [] })"
        />
        <div class="words-and-field">
          <span>Between two pieces</span>
          <LengthField
            :value="layout.gap"
            :min="0"
            :max="20"
            label="Room for the knife"
            @change="room.change({ gap: $event })"
          />
        </div>
        <ChoiceBar label="Pieces lie" :options="turns" :value="layout.turn" @choose="room.change({ turn: $event })" />
        <div v-if="!straight" class="words-and-field">
          <span>Scars and stains may lie in margins and laps</span>
          <NSwitch
            :value="layout.hidesFlaws"
            aria-label="Scars and stains may lie in margins and laps"
            @update:value="room.change({ hidesFlaws: $event })"
          />
        </div>
        <ChoiceBar label="Who looks" :options="lookers" :value="where" @choose="where = $event" />
        <div class="words-and-field">
          <span>Seconds to look for it</span>
          <FigureField
            :value="Math.min(seconds, longest)"
            whole
            :min="1"
            :max="longest"
            label="Seconds to look for it"
            class="seconds"
            @change="seconds = $event ?? seconds"
          />
        </div>
        <ChosenList
          v-if="pairOptions.length > 0"
          label="Cut together with"
          add="Cut together with another pair …"
          name="also"
          :chosen="also"
          :options="pairOptions"
          @add="room.change({ also: [...layout.also, $event] })"
          @remove="leave"
        />
        <p v-if="room.waiting.value && !room.cannotAdd.value" class="soft" role="status">
          Planning what is cut with it …
        </p>
        <p v-if="room.cannotAdd.value" role="alert">{{ room.cannotAdd.value }}</p>
        <p v-if="without.length > 0" class="soft">{{ without.join(', ') }}: nothing of {{ group.material }} in it.</p>
      </div>
      <LayoutOut v-show="!busy" :pair-id="id" :room="room" :sound="wrong.length === 0" />
      <p v-if="strips.length > 0" class="soft">Not laid: {{ strips.join(', ') }}; cut along a straight edge.</p>
      <p v-if="!straight" class="soft">
        Seen from the face. Vamps and caps lie in the best of it, what else is seen off the lesser parts, and nothing on
        a flaw that is drawn. Look the leather over before you cut.
      </p>
      <p v-else class="soft">
        Seen from the face. Look the leather over before you cut: flaws and stretchy places are not known here. A hide
        of the stores has them.
      </p>
    </BecausePanel>
  </div>
</template>

<style scoped>
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 8px;
}
.fields {
  display: grid;
  gap: 8px;
  margin: 8px 0 14px;
}
.seconds {
  width: 6em;
}
p {
  margin-bottom: 10px;
}
ul {
  margin: 0 0 10px;
  padding: 0;
  list-style: none;
}
.wrong li {
  margin-bottom: 6px;
}
.wrong .n-button {
  height: auto;
  min-height: 44px;
  white-space: normal;
  text-align: left;
}
.unlaid li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  margin-bottom: 6px;
}
h3 {
  margin: 6px 0;
}
</style>
