<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Recipe, RecipePreference } from '../../contract/bench'
import { endpoints } from '../../contract/endpoints'
import { KNIFE_ROLES, type KnifeRole } from '../../core/knife/knifeTypes'
import { recipeName } from '../../words/bench'
import { capital } from '../../words/format'
import { call } from '../api'
import { say } from '../i18n'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import { useChange } from './useChange'

const props = defineProps<{ recipes: readonly Recipe[] }>()
const WORKS = ['hone', 'stone'] as const
const notices = useNotices()
const { refusal, change } = useChange()
const preferences = ref<readonly RecipePreference[]>([])
void change(async () => {
  preferences.value = await call(endpoints.recipePreferences)
})

const options = computed(
  () =>
    Object.fromEntries(
      WORKS.map((work) => [
        work,
        [
          { value: '', label: say('recipes.asMade') },
          ...props.recipes
            .filter(({ actions }) => actions.includes(work) || (work === 'stone' && actions.includes('touch-up')))
            .map(({ id, name }) => ({ value: id, label: capital(recipeName(id, name, say)) })),
        ],
      ]),
    ) as Record<RecipePreference['work'], { value: string; label: string }[]>,
)
const chosen = (role: KnifeRole, work: RecipePreference['work']): string =>
  preferences.value.find((one) => one.role === role && one.work === work)?.recipeId ?? ''
function choose(role: KnifeRole, work: RecipePreference['work'], recipeId: string): void {
  const others = preferences.value.filter((one) => one.role !== role || one.work !== work)
  preferences.value = recipeId === '' ? others : [...others, { role, work, recipeId }]
}
async function save(): Promise<void> {
  if (await change(() => call(endpoints.setRecipePreferences, { body: preferences.value })))
    notices.done(say('recipes.preferencesSaved'))
}
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('recipes.preferences') }}</h2>
    <p class="soft">{{ $t('recipes.preferencesHint') }}</p>
    <div v-for="role in KNIFE_ROLES" :key="role" class="role">
      <b>{{ capital($t(`role.${role}`)) }}</b>
      <ChoiceField
        v-for="work in WORKS"
        :key="work"
        :model-value="chosen(role, work)"
        :label="`${$t(`recipes.${work}`)}, ${$t(`role.${role}`)}`"
        :options="options[work]"
        @update:model-value="choose(role, work, $event)"
      />
    </div>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p>
      <AppButton kind="main" @click="save">{{ $t('recipes.savePreferences') }}</AppButton>
    </p>
  </section>
</template>

<style scoped>
.role {
  display: grid;
  grid-template-columns: 160px minmax(0, 280px) minmax(0, 280px);
  gap: 12px;
  align-items: end;
  padding: 6px 0;
}
p {
  padding-top: 8px;
}
@media (max-width: 900px) {
  .role {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
