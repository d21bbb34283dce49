<script setup lang="ts">
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { BY_CONDITION, type PolicyRule } from '../../core/policy/policy'
import { call } from '../api'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import RuleForm from './RuleForm.vue'
import { ruleWords } from './ruleWords'
import { untrainedHolders } from './untrainedHolders'

/** How often the house sharpens: its own rules, said back in sentences. */
const session = useSession()
const fleet = useFleet()
const notices = useNotices()
const { value: crew } = useResource(endpoints.crew)
const rules = computed<readonly PolicyRule[]>(() => session.house?.policies ?? [])
const open = ref(false)
/** number of the rule that is changed; past the last for a new one */
const at = ref(0)
const edited = computed<PolicyRule>(() => rules.value[at.value] ?? { ...BY_CONDITION, scope: 'house', of: '' })

function start(number: number): void {
  at.value = number
  open.value = true
}
async function keep(policies: readonly PolicyRule[]): Promise<void> {
  await call(endpoints.editHouse, { body: { policies } })
  await session.resume()
  await fleet.load()
}
async function save(policies: readonly PolicyRule[], told: string): Promise<void> {
  const before = rules.value
  await keep(policies)
  open.value = false
  notices.done(told, () => keep(before))
}
const words = (rule: PolicyRule): string =>
  ruleWords(rule, say, {
    station: (id) => fleet.stations.get(id)?.name,
    person: (id) => fleet.people.get(id)?.name,
  })
const untrained = computed(() =>
  untrainedHolders(rules.value, fleet.knives, crew.value?.skills ?? null).map((id) => fleet.people.get(id)?.name ?? ''),
)
/** a rule that nobody has the hands for */
const nobody = computed(
  () => rules.value.length > 0 && crew.value?.skills.every(({ skill }) => skill === 'hone') === true,
)
</script>

<template>
  <section class="form-section">
    <p class="soft">{{ $t('rules.hint') }}</p>
    <p>
      <RouterLink :to="{ name: 'year' }">{{ $t('year.fromRules') }}</RouterLink>
    </p>
    <p v-if="rules.length === 0" class="lead">{{ $t('rules.none') }}</p>
    <ul>
      <li v-for="(rule, number) in rules" :key="rule.scope + rule.of">
        <p>{{ words(rule) }}</p>
        <p class="keys">
          <AppButton kind="quiet" @click="start(number)">{{ $t('house.change') }}</AppButton>
          <AppButton
            kind="quiet"
            @click="
              save(
                rules.filter((_rule, other) => other !== number),
                say('rules.removed'),
              )
            "
            >{{ $t('rules.remove') }}</AppButton
          >
        </p>
      </li>
    </ul>
    <p v-if="nobody" class="note">{{ $t('rules.problem.nobody') }}</p>
    <p v-for="name in untrained" :key="name" class="note">{{ $t('rules.problem.no-hands', { name }) }}</p>
    <p>
      <AppButton kind="main" @click="start(rules.length)">{{ $t('rules.add') }}</AppButton>
    </p>
    <AppDialog v-model:visible="open" :title="$t('rules.title')" narrow>
      <RuleForm
        v-if="open"
        :rule="edited"
        :at="at"
        :rules="rules"
        :save="(policies) => save(policies, say('rules.saved'))"
      />
    </AppDialog>
  </section>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 4px 18px;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.keys {
  display: flex;
  gap: 6px;
}
</style>
