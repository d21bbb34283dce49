<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { bevelWidth } from '../../core/geometry/bevel'
import { stackHeight } from '../../core/geometry/stack'
import { meanDps } from '../../core/knife/knifeTypes'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'

const props = defineProps<{ knife: KnifeView }>()
const emit = defineEmits<{ measure: [] }>()
const formats = useFormats()

const stack = computed(() => {
  const { heelHeightMm, spineMm, dpsRight } = props.knife
  return formats.value.length(stackHeight({ heelHeightMm, spineMm, dps: dpsRight }))
})
const facts = computed(() => {
  const { knife } = props
  const format = formats.value
  const rows: readonly (readonly [string, string, string | null])[] = [
    ['heelHeightMm', format.length(knife.heelHeightMm), null],
    ['spineMm', format.length(knife.spineMm), null],
    ['bteMm', format.thickness(knife.bteMm), say('knife.whenNew', { value: format.thickness(knife.bteNewMm) })],
    ['dpsRight', `${format.angle(knife.dpsLeft)} / ${format.angle(knife.dpsRight)}`, say('knife.leftRight')],
    ['ratioRight', `${100 - knife.ratioRight} / ${knife.ratioRight}`, null],
    ...(knife.symmetry === null
      ? []
      : [
          [
            'strokesBySide',
            `${100 - knife.symmetry.rightShare} / ${knife.symmetry.rightShare}`,
            knife.symmetry.owes === null
              ? null
              : say('knife.owes', {
                  side: say(`bench.${knife.symmetry.owes.side}`),
                  strokes: knife.symmetry.owes.strokes,
                }),
          ] as const,
        ]),
    ['hrc', `${knife.hrc} HRC`, knife.reactive ? say('knife.reactive') : null],
    ['grind', say(`grind.${knife.grind}`) + (knife.serrated ? `, ${say('form.serrated')}` : ''), null],
    ...(knife.price === null ? [] : [['price', format.money(knife.price), null] as const]),
    ...(knife.boughtOn === null ? [] : [['boughtOn', format.shortDay(`${knife.boughtOn}T12:00:00Z`), null] as const]),
  ]
  return rows.map(([field, value, note]) => ({ field, value, note, assumed: knife.assumed.includes(field) }))
})
const dps = computed(() => meanDps(props.knife))
</script>

<template>
  <aside class="facts">
    <section class="heavy-rule">
      <h2>{{ $t('knife.measurements') }}</h2>
      <dl>
        <template v-for="fact in facts" :key="fact.field">
          <dt class="soft">{{ $t(fact.field === 'dpsRight' ? 'knife.angles' : `field.${fact.field}`) }}</dt>
          <dd>
            <span class="num">{{ fact.value }}</span> <span class="soft small">{{ fact.note }}</span>
            <span v-if="fact.assumed" class="assumed small">{{ $t('knife.usual') }}</span>
          </dd>
        </template>
        <dt class="soft">{{ $t('knife.bevel') }}</dt>
        <dd class="num">{{ formats.thickness(bevelWidth({ bteMm: knife.bteMm, dps })) }}</dd>
        <dt class="soft">{{ $t('knife.stack') }}</dt>
        <dd class="num">
          {{ stack }}
          <span class="soft small">{{ $t('knife.stackFor', { angle: formats.angle(knife.dpsRight) }) }}</span>
        </dd>
      </dl>
    </section>
    <section v-if="knife.assumed.length > 0" class="heavy-rule">
      <h2>{{ $t('knife.notMeasured') }}</h2>
      <ul>
        <li v-for="field in knife.assumed" :key="field">
          <b>{{ $t(`field.${field}`) }}</b> {{ $t(`gain.${field}`) }}
        </li>
      </ul>
      <AppButton class="no-print" @click="emit('measure')">{{ $t('knife.measure') }}</AppButton>
    </section>
  </aside>
</template>

<style scoped>
.facts {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 20px;
  align-content: start;
}
dl {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
  overflow-wrap: anywhere;
  gap: 6px 12px;
  margin-top: 8px;
}
dd .small {
  white-space: normal;
}
.assumed {
  display: block;
  width: fit-content;
  border-bottom: 1.5px dashed var(--tiring);
}
li {
  padding: 6px 0;
  line-height: 1.3;
}
.button {
  margin-top: 8px;
}
</style>
