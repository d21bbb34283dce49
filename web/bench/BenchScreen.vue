<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { v7 as newId } from 'uuid'
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { BenchOffer, BenchSession, GearView, StackPiece } from '../../contract/bench'
import { endpoints } from '../../contract/endpoints'
import { call } from '../api'
import { useFleet } from '../live/fleet'
import type { Pace } from '../../core/session/ways'
import { refusalText } from '../refusalText'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import { useLeave } from '../ui/useLeave'
import BenchRun from './BenchRun.vue'
import BenchStart from './BenchStart.vue'

const props = defineProps<{ code: string }>()
const fleet = useFleet()
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
/** The person's own pace, which they may change for this once. */
const pace = ref<Pace>('led')
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
const ask = (): Promise<void> =>
  attempt(async () => {
    if (!knife.value) return
    const body = {
      choices: wish.choices,
      ...(wish.recipeId ? { recipeId: wish.recipeId } : {}),
      ...(wish.startWith ? { startWith: wish.startWith } : {}),
    }
    const id = knife.value.id
    const [asked, shelf, owned] = await Promise.all([
      call(endpoints.benchOffer, { params: { id }, body }),
      call(endpoints.gear),
      call(endpoints.pieces),
    ])
    offer.value = asked
    pace.value = asked.pace
    gear.value = shelf
    pieces.value = owned
  })
/** Who comes from the workshop has begun already. */
const route = useRoute()
watch(
  () => knife.value?.id,
  async (id) => {
    if (!id || running.value) return
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
    running.value = await call(endpoints.startSession, {
      body: {
        id: newId(),
        knifeId: knife.value.id,
        choices,
        ...(besideId.value ? { besideId: besideId.value } : {}),
        ...(recipeId ? { recipeId } : {}),
        ...(startWith ? { startWith } : {}),
      },
    })
  })
const resume = (): Promise<void> =>
  attempt(async () => {
    const open = offer.value?.open
    if (!open) return
    const session = await call(endpoints.benchSession, { params: { id: open.sessionId } })
    const taken = session.actions.findLast(({ action }) => action.kind === 'take-over')
    running.value =
      (taken ? taken.personId : session.startedBy) === signedIn.person?.id
        ? session
        : await call(endpoints.actInSession, {
            params: { id: open.sessionId },
            body: { actions: [{ id: newId(), at: signedIn.now().toISOString(), kind: 'take-over' }] },
          })
  })
function ended(): void {
  running.value = null
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
