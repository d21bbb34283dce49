<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { endpoints } from '../../contract/endpoints'
import type { Gear } from '../../contract/bench'
import type { KnifeView } from '../../contract/knives'
import { kindInWords } from '../../words/knifeKind'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { takeOut } from '../ledger/takeOut'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import MeasureField from '../ui/MeasureField.vue'
import PrintButton from '../ui/PrintButton.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import { keyOfId, labelText, type LabelKind } from './labelText'
import { qrPath } from './qrPath'
import { LABEL_SHEETS, pagesOf, PAPER_MM } from './sheets'

/** Labels for sheets of usual sizes: a code for the camera, and beside it what a person reads. */
const fleet = useFleet()
const route = useRoute()
const formats = useFormats()
const kind = shallowRef<LabelKind>('knife')
const size = useLocalStorage('yorvik.labels.size', LABEL_SHEETS[0]?.name ?? '')
const used = shallowRef<number | null>(0)
const gear = shallowRef<readonly Gear[]>([])
watch(kind, async (now) => {
  if (now === 'gear' && gear.value.length === 0) gear.value = await call(endpoints.gear).catch(() => [])
})

const sheet = computed(() => LABEL_SHEETS.find(({ name }) => name === size.value) ?? LABEL_SHEETS[0])
interface Label {
  readonly id: string
  /** what the code says to a camera */
  readonly text: string
  readonly code: ReturnType<typeof qrPath>
  readonly short: string
  readonly what: string
  readonly more: string
  readonly knife: KnifeView | null
}
/** The knives named in the address; all that are in the house where none is. */
const knives = computed(() => {
  const codes = String(route.query['knives'] ?? '')
    .split(/[\s,]+/)
    .filter(Boolean)
  return codes.length > 0
    ? codes.flatMap((code) => fleet.byCode(code) ?? [])
    : fleet.knives.filter(({ status }) => status !== 'retired')
})
/** A label outlives every edge: the blade is drawn without its condition. */
function plainly(knife: KnifeView): KnifeView {
  const { heel, belly, tip } = knife.zones
  const unseen = <Z extends KnifeView['zones']['heel']>(zone: Z): Z => ({ ...zone, word: 'unseen' as const })
  return { ...knife, word: 'unseen', zones: { heel: unseen(heel), belly: unseen(belly), tip: unseen(tip) } }
}
const labels = computed((): readonly Label[] => {
  const code = (key: string): Pick<Label, 'text' | 'code'> => {
    const text = labelText(location.origin, { kind: kind.value, key })
    return { text, code: qrPath(text) }
  }
  switch (kind.value) {
    case 'knife':
      return knives.value.map((knife) => ({
        id: knife.id,
        ...code(knife.code),
        short: knife.code,
        what: kindInWords(knife, say, formats.value),
        more: [knife.name, fleet.stations.get(knife.stationId)?.name, fleet.people.get(knife.holderId ?? '')?.name]
          .filter(Boolean)
          .join(' · '),
        knife: plainly(knife),
      }))
    case 'place':
      return [...fleet.stations.values()]
        .filter(({ active }) => active)
        .map(({ id, name }) => ({
          id,
          ...code(keyOfId(id)),
          short: name,
          what: say('labels.place'),
          more: keyOfId(id),
          knife: null,
        }))
    default:
      return gear.value
        .filter(({ active }) => active)
        .map(({ id, name, grit, scale }) => ({
          id,
          ...code(keyOfId(id)),
          short: name,
          what: grit === null ? '' : `${scale ?? ''} ${grit}`.trim(),
          more: keyOfId(id),
          knife: null,
        }))
  }
})
const pages = computed(() => (sheet.value ? pagesOf(labels.value, sheet.value, used.value ?? 0) : []))
const kinds = computed(() =>
  (['knife', 'place', 'gear'] as const).map((value) => ({ value, label: say(`labels.kind.${value}`) })),
)
const sizes = computed(() =>
  LABEL_SHEETS.map(({ name, paper, width, height, columns, rows }) => ({
    value: name,
    label: say('labels.size', { paper: paper === 'A4' ? 'A4' : 'Letter', width, height, n: columns * rows }),
  })),
)
/** A drawing of the blade only where there is room for one. */
const hasRoom = computed(() => (sheet.value?.height ?? 0) >= 35)
const paperStyle = computed(() => {
  const paper = PAPER_MM[sheet.value?.paper ?? 'A4']
  return { width: `${paper.width}mm`, height: `${paper.height}mm` }
})
const gridStyle = computed(() => {
  const { columns = 1, rows = 1, width = 60, height = 30, left = 0, top = 0, gap = 0 } = sheet.value ?? {}
  return {
    padding: `${top}mm 0 0 ${left}mm`,
    gridTemplateColumns: `repeat(${columns}, ${width}mm)`,
    gridTemplateRows: `repeat(${rows}, ${height}mm)`,
    columnGap: `${gap}mm`,
  }
})
const codeStyle = computed(() => ({ width: `${Math.min(24, (sheet.value?.height ?? 30) - 5)}mm` }))
/** What the codes say and what stands beside them, for a printer of labels. */
function list(): void {
  takeOut('yorvik-labels.csv', [
    [say('labels.code'), say('labels.short'), say('labels.what'), say('labels.more')],
    ...labels.value.map(({ text, short, what, more }) => [text, short, what, more]),
  ])
}
</script>

<template>
  <div class="page">
    <header class="page-head no-print">
      <h1>{{ $t('labels.title') }}</h1>
      <span class="soft">{{ $t('labels.hint') }}</span>
      <span class="end">
        <AppButton @click="list">{{ $t('report.csv') }}</AppButton>
        <PrintButton :label="$t('labels.print')" />
      </span>
    </header>
    <div class="form-grid settings no-print">
      <SegmentedChoice v-model="kind" :label="$t('labels.kindLabel')" :options="kinds" />
      <ChoiceField v-model="size" :label="$t('labels.sheet')" :options="sizes" />
      <MeasureField v-model="used" :label="$t('labels.used')" :hint="$t('labels.usedHint')" />
    </div>
    <p v-if="fleet.fleet && labels.length === 0" class="lead">{{ $t('labels.none') }}</p>
    <div class="frame" tabindex="0" role="region" :aria-label="$t('labels.title')">
      <div v-for="(page, index) in pages" :key="index" class="paper" :class="sheet?.paper" :style="paperStyle">
        <ul :style="gridStyle">
          <li v-for="(label, place) in page" :key="label?.id ?? `used ${place}`" :class="{ blank: !label }">
            <template v-if="label">
              <svg
                class="code"
                :style="codeStyle"
                :viewBox="`0 0 ${label.code.size} ${label.code.size}`"
                aria-hidden="true"
              >
                <path :d="label.code.path" fill="#000" />
              </svg>
              <span class="words">
                <b class="num short">{{ label.short }}</b>
                <span>{{ label.what }}</span>
                <span class="more">{{ label.more }}</span>
                <EdgeStrip v-if="label.knife && hasRoom" :knife="label.knife" :px-per-mm="0.3" />
              </span>
            </template>
          </li>
        </ul>
      </div>
    </div>
  </div>
</template>

<style scoped>
.settings {
  grid-template-columns: repeat(auto-fit, minmax(200px, 320px));
  align-items: end;
  margin-bottom: 18px;
}
/* the sheet keeps its true size, also on a screen narrower than it */
.frame {
  overflow-x: auto;
}
.paper {
  margin-bottom: 18px;
  background: #fff;
  color: #000;
  border: 1px solid var(--rule);
  overflow: hidden;
  break-after: page;
}
.paper.A4 {
  page: labels-a4;
}
.paper.letter {
  page: labels-letter;
}
ul {
  display: grid;
}
li {
  display: flex;
  align-items: center;
  gap: 2mm;
  padding: 2mm;
  overflow: hidden;
  outline: 1px dashed #999;
  outline-offset: -1px;
}
.blank {
  background: repeating-linear-gradient(45deg, #eee 0 2mm, #fff 2mm 4mm);
}
.code {
  flex: none;
  display: block;
}
.words {
  display: grid;
  gap: 0.4mm;
  min-width: 0;
  font-size: 8.5pt;
  line-height: 1.15;
}
.short {
  font-size: 15pt;
  line-height: 1.05;
  white-space: normal;
  overflow-wrap: anywhere;
}
.more {
  color: #333;
  font-size: 7.5pt;
}
@media print {
  .frame {
    overflow: visible;
  }
  .paper {
    margin: 0;
    border: 0;
  }
  li {
    outline: 0;
  }
  .blank {
    background: none;
  }
}
</style>

<style>
@page labels-a4 {
  size: A4;
  margin: 0;
}
@page labels-letter {
  size: letter;
  margin: 0;
}
</style>
