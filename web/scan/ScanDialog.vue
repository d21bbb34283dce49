<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import type { KnifeView } from '../../contract/knives'
import { verdictWords } from '../../words/verdict'
import { isCountedOnly } from '../../core/knife/knifeTypes'
import { say, useFormats } from '../i18n'
import { keyOfId, labelText, readLabel, type LabelTarget } from '../labels/labelText'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import FoldSection from '../ui/FoldSection.vue'
import HonedButton from '../ui/HonedButton.vue'
import SuggestField from '../ui/SuggestField.vue'
import { labelStream } from './labelStream'
import { useScanner } from './useScanner'

/** Reads the label of a knife, a place or a stone, from any screen, and offers what one scans it for. */
const visible = defineModel<boolean>('visible', { required: true })
/** where somebody is asked where they stand, the label of a place says it instead of leading there */
const props = defineProps<{
  asksPlace?: boolean
  /** a count: each knife is seen, and the next label is waited for */
  counts?: boolean
}>()
const emit = defineEmits<{ place: [stationId: string]; seen: [knife: KnifeView] }>()
const fleet = useFleet()
const formats = useFormats()
const router = useRouter()
const video = useTemplateRef<HTMLVideoElement>('video')
const code = ref<string | null>(null)
const strange = ref('')
const typed = ref('')
const simulating = ref(false)
const knife = computed(() => (code.value === null ? undefined : fleet.byCode(code.value)))

function leave(to: Parameters<typeof router.push>[0]): void {
  visible.value = false
  void router.push(to)
}
function read(text: string): void {
  const target = readLabel(text)
  strange.value = target ? '' : text.slice(0, 60)
  if (!target) return
  if (target.kind === 'knife') {
    const known = fleet.byCode(target.key)
    if (!known) strange.value = target.key
    else if (props.counts) emit('seen', known)
    else code.value = target.key
  } else if (target.kind === 'place') {
    const station = [...fleet.stations.values()].find(({ id }) => keyOfId(id) === target.key)
    if (!props.asksPlace) leave({ name: 'rack', query: station ? { stations: station.id } : {} })
    else if (station) {
      visible.value = false
      emit('place', station.id)
    }
  } else leave('/house?part=gear')
}
function readTyped(): void {
  read(labelText(location.origin, { kind: 'knife', key: typed.value.trim().toUpperCase() }))
  if (props.counts) typed.value = ''
}
const { fault, stream, start, show } = useScanner(video, read)
void start()

const words = computed(() => (knife.value ? verdictWords(knife.value, say, formats.value) : null))
const knives = computed(() => fleet.knives.map(({ code: value, type }) => ({ value, also: say(`type.${type}`) })))
const labelled = (target: LabelTarget, label: string): { value: string; label: string } => ({
  value: labelText(location.origin, target),
  label,
})
const held = computed(() => [
  { value: '', label: say('scan.hold') },
  ...(props.asksPlace ? [] : fleet.knives.map(({ code: key }) => labelled({ kind: 'knife', key }, key))),
  ...[...fleet.stations.values()].map(({ id, name }) => labelled({ kind: 'place', key: keyOfId(id) }, name)),
])
function hold(text: string): void {
  if (text !== '') show(labelStream(text))
}
</script>

<template>
  <AppDialog v-model:visible="visible" :title="$t('scan.title')">
    <div class="scan">
      <template v-if="knife && words">
        <div class="read-knife" role="status">
          <b class="num code">{{ knife.code }}</b>
          <EdgeStrip :knife="knife" :px-per-mm="0.7" />
          <p>
            <b>{{ words.what }}</b> {{ words.why }}
          </p>
        </div>
        <p class="keys">
          <template v-if="!isCountedOnly(knife.type)">
            <AppButton kind="main" @click="leave({ name: 'check', params: { code: knife.code } })">{{
              $t('knife.act.check')
            }}</AppButton>
            <HonedButton :knife="knife" />
          </template>
          <AppButton @click="leave({ name: 'knife', params: { code: knife.code } })">{{ $t('scan.page') }}</AppButton>
          <AppButton kind="quiet" @click="code = null">{{ $t('scan.next') }}</AppButton>
        </p>
      </template>
      <p v-if="fault" class="refusal" role="alert">{{ $t(`scan.fault.${fault}`) }}</p>
      <video v-show="!knife && stream" ref="video" class="picture" autoplay muted playsinline />
      <template v-if="!knife">
        <p v-if="strange" role="status">{{ $t('scan.strange', { text: strange }) }}</p>
        <p v-else class="soft">{{ $t('scan.hint') }}</p>
        <div class="line">
          <SuggestField v-model="typed" :label="$t('scan.type')" :suggestions="knives" />
          <AppButton :disabled="!fleet.byCode(typed.trim().toUpperCase())" @click="readTyped">{{
            $t('scan.open')
          }}</AppButton>
        </div>
        <FoldSection v-model:opened="simulating" :title="$t('scan.simulator')">
          <ChoiceField
            :model-value="''"
            :label="$t('scan.simulatorLabel')"
            :options="held"
            searchable
            @update:model-value="hold"
          />
        </FoldSection>
      </template>
    </div>
  </AppDialog>
</template>

<style scoped>
.scan {
  display: grid;
  gap: 12px;
}
.picture {
  width: 100%;
  max-height: 46vh;
  object-fit: cover;
  background: #000;
  border-radius: 8px;
}
.read-knife {
  display: grid;
  gap: 6px;
}
.code {
  font-size: 1.9rem;
}
.keys,
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 10px;
}
</style>
