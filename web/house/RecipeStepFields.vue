<script setup lang="ts">
import { computed } from 'vue'
import type { Recipe } from '../../contract/bench'
import { STROKE_SCHEMES, type StrokeScheme } from '../../core/abrasive/strokeLadder'
import {
  CAUTIONS,
  CHECKS,
  COUNTED_KINDS,
  LIFTS,
  REMEDIES,
  STEP_SIDES,
  STEP_TOOLS,
  STEP_TURNS,
  STEP_WORKS,
  type Remedy,
  type StepLift,
  type StepSide,
  type StepTool,
  type StepTurn,
  type StepWork,
} from '../../core/session/recipe'
import { usualWords } from '../../words/bench'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'
import FoldSection from '../ui/FoldSection.vue'
import { stepTitle } from './stepTitle'

type Step = Recipe['steps'][number]
const props = defineProps<{ recipeId: string; isFirst: boolean; isLast: boolean }>()
const emit = defineEmits<{ move: [by: number]; drop: [] }>()
const step = defineModel<Step>({ required: true })
const schemes = computed(() => [
  { value: 'none', label: say('recipes.noCount') },
  ...STROKE_SCHEMES.map((value) => ({ value, label: say(`recipes.scheme.${value}`) })),
])
const side = computed(() => (step.value.side ? say(`recipes.side.${step.value.side}`) : ''))
const NONE = 'none'
const listed = (values: readonly string[], key: string): { value: string; label: string }[] => [
  { value: NONE, label: say('recipes.notSaid') },
  ...values.map((value) => ({ value, label: say(`${key}.${value}`) })),
]
const turns = STEP_TURNS.map((value) => ({ value, label: say(`recipes.turn.${value}`) }))
const lifted = (from: string): StepLift | undefined =>
  from === NONE ? undefined : { from: from as StepLift['from'], dps: step.value.lift?.dps ?? 0 }
const name = computed(() => stepTitle(step.value, say))
const usual = computed(() => usualWords(props.recipeId, step.value, side.value, say))

const set = (change: Partial<Step>): void => {
  step.value = { ...step.value, ...change }
}
const setWords = (part: 'what' | 'why', text: string): void => {
  const words = { what: step.value.words?.what ?? '', why: step.value.words?.why ?? '', [part]: text }
  set({ words: words.what.trim() === '' ? undefined : words })
}
const toggled = <T,>(list: readonly T[], one: T): T[] =>
  list.includes(one) ? list.filter((had) => had !== one) : [...list, one]
</script>

<template>
  <section>
    <div class="head">
      <h2>{{ name }}</h2>
      <span class="soft small">{{ $t(`recipes.turn.${step.each}`) }}</span>
      <span class="ways">
        <AppButton kind="quiet" :disabled="isFirst" @click="emit('move', -1)">{{ $t('recipes.up') }}</AppButton>
        <AppButton kind="quiet" :disabled="isLast" @click="emit('move', 1)">{{ $t('recipes.down') }}</AppButton>
        <AppButton kind="quiet" @click="emit('drop')">{{ $t('recipes.drop') }}</AppButton>
      </span>
    </div>
    <div class="read" :aria-label="$t('recipes.cookReads')" role="group">
      <span class="small soft">{{ $t('recipes.cookReads') }}</span>
      <p class="what">{{ step.words?.what || usual.what }}</p>
      <p class="soft">{{ step.words?.why || usual.why }}</p>
    </div>
    <div class="own">
      <TextField
        :model-value="step.words?.what ?? ''"
        :label="$t('recipes.what')"
        :placeholder="usual.what"
        @update:model-value="setWords('what', $event)"
      />
      <TextField
        :model-value="step.words?.why ?? ''"
        :label="$t('recipes.why')"
        :placeholder="usual.why"
        @update:model-value="setWords('why', $event)"
      />
    </div>
    <div v-if="COUNTED_KINDS.has(step.kind)" class="counted">
      <ChoiceField
        :model-value="step.scheme ?? 'none'"
        :label="$t('recipes.count')"
        :options="schemes"
        @update:model-value="set({ scheme: $event === 'none' ? undefined : ($event as StrokeScheme) })"
      />
      <MeasureField
        :model-value="step.newtons ?? null"
        :label="$t('recipes.press')"
        unit="N"
        @update:model-value="set({ newtons: $event ?? undefined })"
      />
    </div>
    <FoldSection :title="$t('recipes.how')" v-if="COUNTED_KINDS.has(step.kind)" class="small">
      <div class="counted">
        <ChoiceField
          :model-value="step.each"
          :label="$t('recipes.turnLabel')"
          :options="turns"
          @update:model-value="set({ each: $event as StepTurn })"
        />
        <ChoiceField
          :model-value="step.work ?? NONE"
          :label="$t('recipes.work')"
          :options="listed(STEP_WORKS, 'recipes.workOn')"
          @update:model-value="set({ work: $event === NONE ? undefined : ($event as StepWork) })"
        />
        <ChoiceField
          :model-value="step.side ?? NONE"
          :label="$t('recipes.sideLabel')"
          :options="listed(STEP_SIDES, 'recipes.side')"
          @update:model-value="set({ side: $event === NONE ? undefined : ($event as StepSide) })"
        />
        <ChoiceField
          :model-value="step.tool ?? NONE"
          :label="$t('recipes.tool')"
          :options="listed(STEP_TOOLS, 'bench.tool')"
          @update:model-value="set({ tool: $event === NONE ? undefined : ($event as StepTool) })"
        />
        <ChoiceField
          :model-value="step.lift?.from ?? NONE"
          :label="$t('recipes.angleFrom')"
          :options="listed(LIFTS, 'recipes.lift')"
          @update:model-value="set({ lift: lifted(String($event)) })"
        />
        <MeasureField
          v-if="step.lift"
          :model-value="step.lift.dps"
          :label="$t('recipes.angleAbove')"
          unit="°"
          @update:model-value="set({ lift: step.lift && { ...step.lift, dps: $event ?? 0 } })"
        />
        <ChoiceField
          :model-value="step.ifNot ?? NONE"
          :label="$t('recipes.ifNot')"
          :options="listed(REMEDIES, 'bench.remedy')"
          @update:model-value="set({ ifNot: $event === NONE ? undefined : ($event as Remedy) })"
        />
      </div>
    </FoldSection>
    <FoldSection
      :title="$t('recipes.looks', { checks: step.checks.length, cautions: step.cautions.length })"
      class="small"
    >
      <div class="marks" role="group" :aria-label="$t('recipes.checks')">
        <AppButton
          small
          v-for="check in CHECKS"
          :key="check"
          :aria-pressed="step.checks.includes(check)"
          @click="set({ checks: toggled(step.checks, check) })"
        >
          {{ $t(`bench.check.${check}`) }}
        </AppButton>
      </div>
      <div class="marks" role="group" :aria-label="$t('recipes.cautions')">
        <AppButton
          small
          v-for="caution in CAUTIONS"
          :key="caution"
          :aria-pressed="step.cautions.includes(caution)"
          @click="set({ cautions: toggled(step.cautions, caution) })"
        >
          {{ $t(`bench.caution.${caution}`) }}
        </AppButton>
      </div>
    </FoldSection>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 12px;
  align-content: start;
}
.read {
  padding: 12px 16px;
  border-left: 5px solid var(--wood);
  background: var(--paper);
}
.what {
  font-size: 1.3rem;
  line-height: 1.3;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
}
.ways {
  margin-left: auto;
}
.own {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px;
}
.counted {
  display: grid;
  grid-template-columns: minmax(0, 320px) 200px;
  gap: 12px;
}
.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 10px;
}
.marks .button {
  min-height: 40px;
}
@media (max-width: 900px) {
  .own,
  .counted {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
