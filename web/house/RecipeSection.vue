<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, ref, shallowRef } from 'vue'
import type { Recipe, RecipeView } from '../../contract/bench'
import { endpoints } from '../../contract/endpoints'
import type { Editable } from '../../contract/wire'
import { HONE_TOOLS } from '../../core/edge/model/hone'
import { STEP_KINDS, type StepKind, WORKED_PARTS } from '../../core/session/recipe'
import { recipeName } from '../../words/bench'
import { capital } from '../../words/format'
import { call } from '../api'
import { say } from '../i18n'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import { editableCopy } from '../ui/editable'
import MeasureField from '../ui/MeasureField.vue'
import { useAddressed } from '../ui/useAddressed'
import RecipePreferenceList from './RecipePreferenceList.vue'
import RecipeStepFields from './RecipeStepFields.vue'
import RecipeStrip from './RecipeStrip.vue'
import { stepTitle } from './stepTitle'
import { useChange } from './useChange'

const notices = useNotices()
const { refusal, change } = useChange()
const all = shallowRef<readonly RecipeView[]>([])
const chosen = ref('full')
useAddressed(chosen, 'recipe', 'full')
const draft = ref<Editable<Recipe> | null>(null)
const chosenStep = ref('')
const stepAt = computed(() => Math.max(0, draft.value?.steps.findIndex(({ id }) => id === chosenStep.value) ?? 0))
const step = computed(() => draft.value?.steps[stepAt.value])
const isOwn = computed(() => all.value.find(({ recipe }) => recipe.id === chosen.value)?.own ?? false)
const names = computed(() =>
  all.value.map(({ recipe, own }) => ({
    value: recipe.id,
    label: capital(recipeName(recipe.id, recipe.name, say)) + (own ? ` (${say('recipes.own')})` : ''),
  })),
)
const added = ref<StepKind>('look')
const kinds = STEP_KINDS.map((value) => ({
  value,
  label: stepTitle({ kind: value }, say),
}))

/** A recipe is recorded as a sharpening, or as a honing with its tool. */
const SHARPENED = 'sharpened'
const recordings = [
  { value: SHARPENED, label: say('recipes.sharpened') },
  ...HONE_TOOLS.map((tool) => ({ value: tool, label: say('recipes.honed', { tool: say(`tool.${tool}`) }) })),
]
const parts = WORKED_PARTS.map((value) => ({ value, label: say(`recipes.part.${value}`) }))
const recordedAs = (records: Recipe['records']): string => (records.kind === 'honed' ? records.tool : SHARPENED)
function record(as: string): void {
  const tool = HONE_TOOLS.find((one) => one === as)
  if (draft.value) draft.value.records = tool ? { kind: 'honed', tool } : { kind: SHARPENED }
}

function open(id: string): void {
  chosen.value = id
  const found = all.value.find(({ recipe }) => recipe.id === id)
  draft.value = found ? editableCopy(found.recipe) : null
}
async function load(): Promise<void> {
  await change(async () => {
    all.value = await call(endpoints.recipes)
  })
  open(chosen.value)
}
void load()

/** A step of the house's own goes before the closing test, where it can be moved from. */
function add(): void {
  const { value } = draft
  if (!value) return
  const at = Math.max(
    0,
    value.steps.findIndex(({ kind }) => kind === 'test' || kind === 'clean'),
  )
  const id = `own-${newId().slice(-8)}`
  value.steps.splice(at, 0, {
    id,
    kind: added.value,
    each: 'once',
    checks: [],
    cautions: [],
  })
  chosenStep.value = id
}
function moveTo(from: number, to: number): void {
  const { value } = draft
  const moved = value?.steps[from]
  if (!value || !moved || to < 0 || to >= value.steps.length) return
  value.steps.splice(from, 1)
  value.steps.splice(to, 0, moved)
  chosenStep.value = moved.id
}
function leaveOut(at: number): void {
  const { value } = draft
  const [gone] = value?.steps.splice(at, 1) ?? []
  if (!value || !gone) return
  chosenStep.value = value.steps[Math.min(at, value.steps.length - 1)]?.id ?? ''
  notices.done(say('recipes.dropped', { step: stepTitle(gone, say) }), () => {
    draft.value?.steps.splice(at, 0, gone)
    return Promise.resolve()
  })
}
async function save(): Promise<void> {
  const { value } = draft
  if (!value) return
  if (await change(() => call(endpoints.setRecipe, { params: { id: value.id }, body: value }))) {
    notices.done(say('recipes.saved'))
    await load()
  }
}
async function restore(): Promise<void> {
  const id = chosen.value
  const own = all.value.find(({ recipe }) => recipe.id === id)?.recipe
  const done = await change(async () => {
    all.value = await call(endpoints.restoreRecipe, { params: { id } })
  })
  if (!done || !own) return
  open(id)
  notices.done(say('recipes.restored'), async () => {
    await call(endpoints.setRecipe, { params: { id }, body: own })
    await load()
  })
}
</script>

<template>
  <section>
    <p class="soft">{{ $t('recipes.hint') }}</p>
    <div class="fields">
      <ChoiceField
        :model-value="chosen"
        :label="$t('recipes.choose')"
        :options="names"
        @update:model-value="open(String($event))"
      />
      <MeasureField v-if="draft" v-model="draft.finishMicron" :label="$t('recipes.finish')" unit="µm" />
      <ChoiceField
        v-if="draft"
        :model-value="recordedAs(draft.records)"
        :label="$t('recipes.records')"
        :options="recordings"
        @update:model-value="record(String($event))"
      />
      <ChoiceField v-if="draft" v-model="draft.worksOn" :label="$t('recipes.worksOn')" :options="parts" />
    </div>
    <div v-if="draft" class="work">
      <div class="strip">
        <RecipeStrip v-model:chosen="chosenStep" :steps="draft.steps" @move="moveTo" />
        <ChoiceField v-model="added" :label="$t('recipes.another')" :options="kinds" />
        <AppButton @click="add">{{ $t('recipes.add') }}</AppButton>
      </div>
      <RecipeStepFields
        v-if="step"
        :key="step.id"
        :model-value="step"
        :recipe-id="draft.id"
        :is-first="stepAt === 0"
        :is-last="stepAt === draft.steps.length - 1"
        @move="moveTo(stepAt, stepAt + $event)"
        @drop="leaveOut(stepAt)"
        @update:model-value="draft.steps[stepAt] = editableCopy($event)"
      />
    </div>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p class="actions">
      <AppButton kind="main" :disabled="!draft" @click="save">{{ $t('recipes.save') }}</AppButton>
      <AppButton v-if="isOwn" @click="restore">{{ $t('recipes.original') }}</AppButton>
    </p>
    <RecipePreferenceList :recipes="all.map(({ recipe }) => recipe)" />
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 14px;
}
.fields {
  display: grid;
  grid-template-columns: minmax(0, 320px) 140px minmax(0, 260px) minmax(0, 220px);
  gap: 14px;
}
.work {
  display: grid;
  grid-template-columns: minmax(220px, 300px) minmax(0, 1fr);
  gap: 14px 28px;
}
.strip {
  display: grid;
  gap: 10px;
  align-content: start;
}
.actions {
  display: flex;
  gap: 10px;
}
@media (max-width: 900px) {
  .fields,
  .work {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
