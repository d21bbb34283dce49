<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { v7 as newId } from 'uuid'
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { BenchOffer, BenchSession, GearView, StackPiece } from '../../contract/bench'
import { endpoints } from '../../contract/endpoints'
import type { BodyOf } from '../../contract/endpoint'
import { call, Refusal } from '../api'
import { useOutbox } from '../live/outbox'
import { useFleet } from '../live/fleet'
import type { Pace } from '../../core/session/ways'
import { refusalText } from '../refusalText'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import { useLeave } from '../ui/useLeave'
import BenchRun from './BenchRun.vue'
import BenchStart from './BenchStart.vue'
import { brought, forgetRunning, keepBrought, runningHere, type Brought } from './onDevice'

const props = defineProps<{ code: string }>()
const fleet = useFleet()
const outbox = useOutbox()
const signedIn = useSession()
const router = useRouter()
const leave = useLeave()
const knife = computed(() => fleet.byCode(props.code))
const offer = shallowRef<BenchOffer | null>(null)
const running = shallowRef<BenchSession | null>(null)
const gear = shallowRef<readonly GearView[]>([])
const pieces = shallowRef<readonly StackPiece[]>([])
const refusal = ref('')
const busy = ref(false)
/** What the person chose for this knife and this once; their own pace without it. */
const chosenPace = ref<Pace | null>(null)
const pace = computed<Pace>({
  get: () => chosenPace.value ?? offer.value?.pace ?? 'led',
  set: (chosen) => {
    chosenPace.value = chosen
  },
})
const besideId = ref<string | null>(null)
const wish = reactive<{ recipeId?: string; startWith?: string; choices: Record<string, string> }>({ choices: {} })
const wake = useWakeLock()
onMounted(() => {
  wake.request('screen').catch(() => undefined)
})

async function attempt(work: () => Promise<void>): Promise<void> {
  busy.value = true
  refusal.value = ''
  try {
    await work()
  } catch (error) {
    refusal.value = refusalText(error)
  } finally {
    busy.value = false
  }
}
let asks = 0
const ask = (): Promise<void> =>
  attempt(async () => {
    if (!knife.value) return
    const body = {
      choices: wish.choices,
      ...(wish.recipeId ? { recipeId: wish.recipeId } : {}),
      ...(wish.startWith ? { startWith: wish.startWith } : {}),
    }
    const id = knife.value.id
    const asking = ++asks
    const found = await askOrRemember(id, body)
    // an answer to what was asked before comes too late
    if (asking !== asks) return
    offer.value = found.offer
    gear.value = found.gear
    pieces.value = found.pieces
  })
/** What the server says, or, while there is none, what was brought along; with the session that runs here. */
async function askOrRemember(id: string, body: BodyOf<typeof endpoints.benchOffer>): Promise<Brought> {
  const running = await runningHere(id)
  const isUnheard = outbox.entries.some((entry) => entry.kind === 'begin' && entry.id === running?.id)
  const withOpen = (found: Brought, isAway: boolean): Brought =>
    running && (isAway || isUnheard) && !found.offer.open
      ? { ...found, offer: { ...found.offer, open: openHere(running) } }
      : found
  try {
    const [asked, shelf, owned] = await Promise.all([
      call(endpoints.benchOffer, { params: { id }, body }),
      call(endpoints.gear),
      call(endpoints.pieces),
    ])
    const found = { offer: asked, gear: shelf, pieces: owned, atMs: Date.now() }
    if (!wish.recipeId && !wish.startWith) void keepBrought(id, found)
    return withOpen(found, false)
  } catch (error) {
    const known = isAway(error) && !offer.value ? await brought(id) : null
    if (!known) throw error
    return withOpen(known, true)
  }
}
const isAway = (error: unknown): boolean =>
  error instanceof Refusal && (error.code === 'offline' || error.code === 'unavailable')
const openHere = ({ id, startedAt }: BenchSession): BenchOffer['open'] => ({
  sessionId: id,
  personName: signedIn.person?.name ?? '',
  startedAt,
})
/** Who comes from the workshop has begun already. */
const route = useRoute()
watch(
  () => knife.value?.id,
  async (id) => {
    if (!id || running.value) return
    chosenPace.value = null
    await ask()
    if (route.query['go'] === 'on' && offer.value?.open) await resume()
  },
  { immediate: true },
)

function choose(change: { recipeId?: string; startWith?: string; choices?: Record<string, string> }): void {
  // another recipe has stones and ways of its own
  if (change.recipeId) {
    delete wish.startWith
    wish.choices = {}
  }
  Object.assign(wish, change)
  void ask()
}
/** Begins the workshop work that was saved for this knife. */
const beginSaved = (): Promise<void> =>
  attempt(async () => {
    const operation = offer.value?.saved?.operation
    if (!knife.value || !operation) return
    running.value = await call(endpoints.startSession, {
      body: {
        id: newId(),
        knifeId: knife.value.id,
        choices: {},
        operation,
        ...(besideId.value ? { besideId: besideId.value } : {}),
      },
    })
  })
const begin = (): Promise<void> =>
  attempt(async () => {
    if (!knife.value) return
    const { recipeId, startWith, choices } = wish
    const id = newId()
    const knifeId = knife.value.id
    try {
      running.value = await call(endpoints.startSession, {
        body: {
          id,
          knifeId,
          choices,
          ...(besideId.value ? { besideId: besideId.value } : {}),
          ...(recipeId ? { recipeId } : {}),
          ...(startWith ? { startWith } : {}),
        },
      })
    } catch (error) {
      if (!isAway(error)) throw error
      beginHere(id, knifeId)
    }
  })
/** Begins by the plan that was given out, under the same id: whether the server heard the first asking does not matter. */
function beginHere(id: string, knifeId: string): void {
  const personId = signedIn.person?.id
  if (!offer.value || !personId) return
  const { plan, seal, start } = offer.value
  const at = signedIn.now().toISOString()
  outbox
    .sendBegin(personId, id, {
      knifeId,
      besideId: besideId.value,
      begunAway: { plan, seal, skill: start.skill, at },
    })
    .catch(() => undefined)
  running.value = {
    ...{ id, knifeId, plan, startedAt: at, startedBy: personId, besideId: besideId.value },
    ...{ endedAt: null, outcome: null, actions: [] },
  }
}
const resume = (): Promise<void> =>
  attempt(async () => {
    const open = offer.value?.open
    if (!open) return
    const session = await sessionOf(open.sessionId)
    const taken = session.actions.findLast(({ action }) => action.kind === 'take-over')
    running.value =
      (taken ? taken.personId : session.startedBy) === signedIn.person?.id
        ? session
        : await call(endpoints.actInSession, {
            params: { id: open.sessionId },
            body: { actions: [{ id: newId(), at: signedIn.now().toISOString(), kind: 'take-over' }] },
          })
  })
/** A session as the server has it; while it cannot be asked, or has not heard of it yet, as it runs here. */
async function sessionOf(id: string): Promise<BenchSession> {
  const here = knife.value ? await runningHere(knife.value.id) : null
  const isUnheard = outbox.entries.some((entry) => entry.id === id)
  try {
    if (here?.id === id && isUnheard) return here
    return await call(endpoints.benchSession, { params: { id } })
  } catch (error) {
    if (!isAway(error) || here?.id !== id) throw error
    return here
  }
}
function ended(): void {
  running.value = null
  if (knife.value) void forgetRunning(knife.value.id)
  void fleet.load()
  void router.push({ name: 'knife', params: { code: props.code } })
}
</script>

<template>
  <div class="screen">
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <BenchRun
      v-if="running && knife"
      :key="running.id"
      :begun="running"
      :knife="knife"
      :gear="gear"
      :pieces="pieces"
      v-model:pace="pace"
      @ended="ended"
      @leave="leave"
    />
    <BenchStart
      v-else-if="offer && knife"
      :offer="offer"
      :knife="knife"
      :busy="busy"
      v-model:pace="pace"
      v-model:beside-id="besideId"
      @choose="choose"
      @begin="begin"
      @begin-saved="beginSaved"
      @resume="resume"
      @leave="leave"
    />
    <div v-else class="page">
      <p class="lead">
        {{ knife || !fleet.fleet ? (refusal ? '' : $t('shell.loading')) : $t('knife.unknown', { code }) }}
      </p>
      <AppButton v-if="refusal" @click="leave">{{ $t('bench.back') }}</AppButton>
    </div>
  </div>
</template>

<style scoped>
.screen {
  min-height: 100vh;
  display: flex;
  flex-direction: column;
}
.refusal {
  margin: 12px 26px 0;
}
</style>
