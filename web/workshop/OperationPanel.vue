<script setup lang="ts">
import { computed } from 'vue'
import type { SectionBlade } from '../../core/geometry/section'
import type { Operation } from '../../core/workshop/operate'
import type { WorkshopPlan } from '../../core/workshop/plan'
import { tenth } from '../../words/format'
import { say, useFormats } from '../i18n'
import { choicesOf, fieldsOf, type OperationField } from './operationFields'
import AppButton from '../ui/AppButton.vue'
import SliderField from '../ui/SliderField.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'

const props = defineProps<{
  blade: SectionBlade
  plan: WorkshopPlan | null
  wrong: string
  /** thickness the blade had when new, mm */ thinToMm: number
  lengthMm: number
}>()
const operation = defineModel<Operation>({ required: true })
const formats = useFormats()
const fields = computed(() => fieldsOf(operation.value.kind, props.blade))
const choices = computed(() => choicesOf(operation.value.kind))
const optionsOf = ({ name, options }: (typeof choices.value)[number]): { value: string | number; label: string }[] =>
  options.map((value) => ({ value, label: say(`workshop.option.${name}.${value}`) }))
const own = computed(() => operation.value as unknown as Readonly<Record<string, unknown>>)
const chosenIn = (name: string): string | number => own.value[name] as string | number
const isTarget = computed(() => 'targetBteMm' in operation.value)
function set(name: string, value: unknown): void {
  operation.value = { ...operation.value, [name]: value } as Operation
}
/** What a field is set to, in its unit: a share of the height is written in percent. */
function written({ name, unit }: OperationField): string {
  const value = Number(own.value[name])
  if (unit === 'share') return `${Math.round(100 * value)} %`
  const amount = Number.isInteger(value) ? String(value) : formats.value.ratio(value)
  return unit === '°' ? formats.value.angle(value) : [amount, unit].filter((part) => part !== '').join(' ')
}
const LITTLE_MM = 0.03
const hundredth = (mm: number): number => Math.round(100 * mm) / 100
const lines = computed(() => {
  if (!props.plan) return []
  const { done, tip } = props.plan
  const height = props.blade.heelHeightMm
  return [
    {
      name: 'thickness',
      from: formats.value.thickness(done.measures.before.bteMm),
      to: formats.value.thickness(done.measures.after.bteMm),
    },
    { name: 'height', from: formats.value.thickness(height), to: formats.value.thickness(height - done.lossMm) },
    ...(tip
      ? [
          {
            name: 'length',
            from: formats.value.length(props.lengthMm),
            to: formats.value.length(tenth(props.lengthMm - tip.lengthLossMm)),
          },
        ]
      : []),
  ]
})
</script>

<template>
  <section class="heavy-rule stacked">
    <h2>{{ $t(`workshop.kind.${operation.kind}`) }}</h2>
    <SliderField
      v-for="field in fields"
      :key="field.name"
      :model-value="Number(own[field.name])"
      :label="$t(`workshop.field.${field.name}`)"
      :written="written(field)"
      :min="field.low"
      :max="field.high"
      :step="field.step"
      @update:model-value="set(field.name, $event)"
    />
    <p v-if="isTarget" class="presets no-print">
      <AppButton @click="set('targetBteMm', hundredth(blade.bteMm - LITTLE_MM))">
        {{ $t('workshop.maintenance') }}
      </AppButton>
      <AppButton :disabled="thinToMm >= blade.bteMm" @click="set('targetBteMm', hundredth(thinToMm))">
        {{ $t('workshop.full') }}
      </AppButton>
    </p>
    <SegmentedChoice
      v-for="choice in choices"
      :key="choice.name"
      look="list"
      :model-value="chosenIn(choice.name)"
      :label="$t(`workshop.choice.${choice.name}`)"
      :options="optionsOf(choice)"
      @update:model-value="set(choice.name, $event)"
    />
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <dl v-if="plan && !wrong" class="soft small">
      <template v-for="line in lines" :key="line.name"
        ><dt>{{ $t(`workshop.${line.name}`) }}</dt>
        <dd class="num">{{ line.from === line.to ? line.to : `${line.from} → ${line.to}` }}</dd></template
      >
    </dl>
    <slot />
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 10px;
}
.wrong {
  border-left: 4px solid var(--out);
  padding-left: 10px;
  font-weight: 600;
}
dd {
  margin: 0;
  text-align: right;
}
.presets {
  display: flex;
  gap: 8px;
}
</style>
