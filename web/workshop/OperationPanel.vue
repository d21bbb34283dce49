<script setup lang="ts">
import { computed } from 'vue'
import type { SectionBlade } from '../../core/geometry/section'
import type { Operation } from '../../core/workshop/operate'
import type { WorkshopPlan } from '../../core/workshop/plan'
import { useFormats } from '../i18n'
import { choicesOf, fieldsOf, type OperationField } from './operationFields'
import AppButton from '../ui/AppButton.vue'

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
const own = computed(() => operation.value as unknown as Readonly<Record<string, unknown>>)
const isTarget = computed(() => 'targetBteMm' in operation.value)
function set(name: string, value: unknown): void {
  operation.value = { ...operation.value, [name]: value } as Operation
}
/** What a field is set to, in its unit: a share of the height is written in percent. */
function written({ name, unit }: OperationField): string {
  const value = Number(own.value[name])
  if (unit === 'share') return `${Math.round(100 * value)} %`
  return unit === '°' ? `${value}°` : [value, unit].filter((part) => part !== '').join(' ')
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
            to: formats.value.length(Math.round(10 * (props.lengthMm - tip.lengthLossMm)) / 10),
          },
        ]
      : []),
  ]
})
</script>

<template>
  <section class="heavy-rule stacked">
    <h2>{{ $t(`workshop.kind.${operation.kind}`) }}</h2>
    <div v-for="field in fields" :key="field.name" class="line">
      <span>{{ $t(`workshop.field.${field.name}`) }}</span>
      <output class="num">{{ written(field) }}</output>
      <input
        class="no-print"
        type="range"
        :aria-label="$t(`workshop.field.${field.name}`)"
        :min="field.low"
        :max="field.high"
        :step="field.step"
        :value="own[field.name]"
        @input="set(field.name, Number(($event.target as HTMLInputElement).value))"
      />
    </div>
    <p v-if="isTarget" class="presets no-print">
      <AppButton @click="set('targetBteMm', hundredth(blade.bteMm - LITTLE_MM))">
        {{ $t('workshop.maintenance') }}
      </AppButton>
      <AppButton :disabled="thinToMm >= blade.bteMm" @click="set('targetBteMm', hundredth(thinToMm))">
        {{ $t('workshop.full') }}
      </AppButton>
    </p>
    <div
      v-for="choice in choices"
      :key="choice.name"
      class="segments"
      role="group"
      :aria-label="$t(`workshop.choice.${choice.name}`)"
    >
      <AppButton
        kind="bare"
        v-for="option in choice.options"
        :key="option"
        :aria-pressed="own[choice.name] === option"
        @click="set(choice.name, option)"
      >
        {{ $t(`workshop.option.${choice.name}.${option}`) }}
      </AppButton>
    </div>
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
.line,
dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 10px;
}
input[type='range'] {
  grid-column: 1 / -1;
  accent-color: var(--slate);
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
.segments {
  display: grid;
}
.segments button {
  text-align: left;
}
</style>
