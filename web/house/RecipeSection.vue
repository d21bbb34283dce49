<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Recipe, RecipeView } from '../../contract/bench'
import { STROKE_SCHEMES, type StrokeScheme } from '../../core/abrasive/strokeLadder'
import { capital } from '../../words/format'
import { call } from '../api'
import { say } from '../i18n'
import { useNotices } from '../stores/notices'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'
import SchoolList from './SchoolList.vue'
import { useChange } from './useChange'

type Step = Recipe['steps'][number]
const notices = useNotices()
const { refusal, change } = useChange()
const all = shallowRef<RecipeView[]>([])
const chosen = ref('full')
const draft = ref<Recipe | null>(null)
const isOwn = computed(() => all.value.find(({ recipe }) => recipe.id === chosen.value)?.own ?? false)
const names = computed(() => all.value.map(({ recipe, own }) => ({
  value: recipe.id, label: capital(say(`bench.recipe.${recipe.id}`)) + (own ? ` (${say('recipes.own')})` : ''),
})))
const schemes = computed(() => [{ value: 'none', label: say('recipes.noCount') }, ...STROKE_SCHEMES.map((value) => ({ value, label: say(`recipes.scheme.${value}`) }))])

function open(id: string): void {
  chosen.value = id
  const found = all.value.find(({ recipe }) => recipe.id === id)
  draft.value = found ? (JSON.parse(JSON.stringify(found.recipe)) as Recipe) : null
}
async function load(): Promise<void> {
  await change(async () => { all.value = await call(endpoints.recipes) })
  open(chosen.value)
}
void load()

function setScheme(step: Step, scheme: string): void {
  if (scheme === 'none') delete step.scheme
  else step.scheme = scheme as StrokeScheme
}
function setWords(step: Step, part: 'what' | 'why', text: string): void {
  const words = { what: step.words?.what ?? '', why: step.words?.why ?? '', [part]: text }
  if (words.what.trim() === '') delete step.words
  else step.words = words
}
function move(at: number, by: number): void {
  const { value } = draft
  const step = value?.steps[at]
  if (!value || !step || at + by < 0 || at + by >= value.steps.length) return
  value.steps.splice(at, 1)
  value.steps.splice(at + by, 0, step)
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
  if (await change(async () => { all.value = await call(endpoints.restoreRecipe, { params: { id: chosen.value } }) })) {
    notices.done(say('recipes.restored'))
    open(chosen.value)
  }
}
</script>

<template>
  <section>
    <p class="soft">{{ $t('recipes.hint') }}</p>
    <div class="fields">
      <ChoiceField :model-value="chosen" :label="$t('recipes.choose')" :options="names" @update:model-value="open(String($event))" />
      <MeasureField v-if="draft" v-model="draft.finishMicron" :label="$t('recipes.finish')" unit="µm" />
    </div>
    <ol v-if="draft">
      <li v-for="(step, at) in draft.steps" :key="step.id">
        <div class="head">
          <b>{{ capital($t(`bench.step.${step.kind}.name`, { stone: '', side: step.side ? $t(step.side === 'first' ? 'bench.right' : 'bench.left') : '' }).trim()) }}</b>
          <span class="soft small">{{ $t(step.each === 'stone' ? 'recipes.each' : 'recipes.once') }}</span>
          <span class="ways">
            <button class="button quiet" type="button" :disabled="at === 0" @click="move(at, -1)">{{ $t('recipes.up') }}</button>
            <button class="button quiet" type="button" :disabled="at === draft.steps.length - 1" @click="move(at, 1)">{{ $t('recipes.down') }}</button>
            <button class="button quiet" type="button" @click="draft.steps.splice(at, 1)">{{ $t('recipes.drop') }}</button>
          </span>
        </div>
        <div class="own">
          <ChoiceField :model-value="step.scheme ?? 'none'" :label="$t('recipes.count')" :options="schemes" @update:model-value="setScheme(step, String($event))" />
          <TextField :model-value="step.words?.what ?? ''" :label="$t('recipes.what')" :hint="$t('recipes.keep')" @update:model-value="setWords(step, 'what', $event)" />
          <TextField :model-value="step.words?.why ?? ''" :label="$t('recipes.why')" @update:model-value="setWords(step, 'why', $event)" />
        </div>
      </li>
    </ol>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p class="actions">
      <button class="button main" type="button" :disabled="!draft" @click="save">{{ $t('recipes.save') }}</button>
      <button v-if="isOwn" class="button" type="button" @click="restore">{{ $t('recipes.original') }}</button>
    </p>
    <SchoolList :recipes="all.map(({ recipe }) => recipe)" />
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 14px;
}
.fields {
  display: grid;
  grid-template-columns: minmax(0, 320px) 140px;
  gap: 14px;
}
li {
  border-top: 1px solid var(--rule);
  padding: 8px 0 12px;
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
  grid-template-columns: 220px minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
}
.actions {
  display: flex;
  gap: 10px;
}
@media (max-width: 900px) {
  .own,
  .fields {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
