<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import ScanKey from '../scan/ScanKey.vue'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import type { KnifeView } from '../../contract/knives'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { useRecords } from '../live/records'
import { refusalText } from '../refusalText'
import { useSession } from '../stores/session'
import { useLeave } from '../ui/useLeave'
import { checkDraft, EMPTY_DRAFT, type CheckPayload } from './checkDraft'
import CheckForm from './CheckForm.vue'
import CheckResult from './CheckResult.vue'

const props = defineProps<{ code: string }>()
const fleet = useFleet()
const session = useSession()
const records = useRecords()
const router = useRouter()
const leave = useLeave()
const knife = computed(() => fleet.byCode(props.code))
const before = shallowRef<KnifeView | null>(null)
const eventId = ref<string | null>(null)
const refusal = ref('')
const busy = ref(false)
const wake = useWakeLock()
onMounted(() => {
  wake.request('screen').catch(() => undefined)
})

async function record(payload: CheckPayload): Promise<void> {
  const checked = knife.value
  if (!checked || busy.value) return
  busy.value = true
  refusal.value = ''
  try {
    eventId.value = await records.record({ kind: 'checked', knifeId: checked.id, payload })
    before.value = checked
    checkDraft(checked.id).value = EMPTY_DRAFT
  } catch (error) {
    refusal.value = refusalText(error)
  } finally {
    busy.value = false
  }
}

async function undo(): Promise<void> {
  if (!knife.value || !eventId.value) return
  try {
    await records.undo(knife.value.id, eventId.value, say('shell.undone'))
    again()
  } catch (error) {
    refusal.value = refusalText(error)
  }
}
function again(): void {
  before.value = null
  eventId.value = null
}
</script>

<template>
  <div class="screen">
    <header class="task-head">
      <b class="num">{{ code }}</b>
      <span v-if="knife">{{ $t(`type.${knife.type}`) }} · {{ $t('check.title') }} · {{ session.person?.name }}</span>
      <span class="end">{{ $t('check.escape') }}</span>
      <ScanKey />
    </header>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="!knife" class="body lead">{{ fleet.fleet ? $t('knife.unknown', { code }) : $t('shell.loading') }}</p>
    <CheckResult
      v-else-if="before"
      :before="before"
      :after="knife"
      @undo="undo"
      @again="again"
      @leave="router.push('/today')"
    />
    <CheckForm v-else :knife="knife" :busy="busy" @record="record" @leave="leave" />
  </div>
</template>

<style scoped>
.screen {
  min-height: 100vh;
  display: flex;
  flex-direction: column;
}
.end {
  color: var(--on-slate-soft);
}
.refusal {
  margin: 12px 26px 0;
}
.body {
  padding: 26px;
}
@media (max-width: 700px) {
  .end {
    display: none;
  }
}
</style>
