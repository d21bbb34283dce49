<script setup lang="ts">
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Person } from '../../contract/house'
import type { SignOff } from '../../contract/signOff'
import { SKILLS, type Skill, type SkillLevel } from '../../core/house/skills'
import { capital } from '../../words/format'
import { call } from '../api'
import { useChange } from '../house/useChange'
import { say } from '../i18n'
import { useResource } from '../live/resource'
import AppButton from '../ui/AppButton.vue'
import LevelMark from './LevelMark.vue'
import SignOffDialog from './SignOffDialog.vue'

/** Who may do what: how far each has come with each skill, what the log asks the chef to decide, and the word itself. */
const props = defineProps<{ people: readonly Person[] }>()
const emit = defineEmits<{ changed: [] }>()
const { value: all, reload, refusal: unread } = useResource(endpoints.signOffs)
const { refusal, changeWithUndo } = useChange()
const chosen = ref<{ personId: string; skill: Skill } | null>(null)
const of = (personId: string, skill: Skill): SignOff | undefined =>
  all.value?.find((one) => one.personId === personId && one.skill === skill)
const current = computed(() => chosen.value && of(chosen.value.personId, chosen.value.skill))
const nameOf = (personId: string): string => props.people.find(({ id }) => id === personId)?.name ?? ''
const proposals = computed(() =>
  (all.value ?? []).flatMap((one) => (one.proposal ? [{ ...one, ask: one.proposal }] : [])),
)
const levelWord = (level: SkillLevel | null): string => say(`crew.level.${level ?? 'none'}`)
const label = (person: Person, skill: Skill): string =>
  say('crew.levelOf', {
    name: person.name,
    skill: say(`skill.${skill}`),
    level: levelWord(of(person.id, skill)?.level ?? null),
  })
async function setLevel({ personId, skill, level: before }: SignOff, level: SkillLevel | null): Promise<void> {
  const send = (next: SkillLevel | null) => async (): Promise<void> => {
    await call(endpoints.signOff, { params: { id: personId, skill }, body: { level: next } })
    await reload()
    emit('changed')
  }
  const told = say('crew.levelSaved', { name: nameOf(personId), skill: say(`skill.${skill}`), level: levelWord(level) })
  if (await changeWithUndo(send(level), told, send(before))) chosen.value = null
}
const open = computed({
  get: () => chosen.value !== null,
  set: (is) => {
    if (!is) chosen.value = null
  },
})
</script>

<template>
  <section>
    <h2>{{ $t('crew.skills') }}</h2>
    <p class="soft small">{{ $t('crew.levels') }}</p>
    <p v-if="(refusal || unread) && !current" class="refusal" role="alert">{{ refusal || unread }}</p>
    <div v-if="proposals.length > 0" class="proposals">
      <h3>{{ $t('crew.proposals') }}</h3>
      <p v-for="one in proposals" :key="`${one.personId} ${one.skill}`">
        <b>{{ $t(`crew.propose.${one.ask.why}`, { name: nameOf(one.personId), skill: $t(`skill.${one.skill}`) }) }}</b>
        <AppButton @click="setLevel(one, one.ask.to)">{{
          $t('crew.accept', { level: levelWord(one.ask.to) })
        }}</AppButton>
        <AppButton kind="quiet" @click="setLevel(one, one.level)">{{ $t('crew.keep') }}</AppButton>
      </p>
    </div>
    <div class="person head small soft" aria-hidden="true">
      <span />
      <span v-for="skill in SKILLS" :key="skill">{{ capital($t(`skill.${skill}`)) }}</span>
    </div>
    <ul>
      <li v-for="person in people" :key="person.id" class="person">
        <b>{{ person.name }}</b>
        <AppButton
          v-for="skill in SKILLS"
          :key="skill"
          kind="bare"
          class="mark"
          :aria-label="label(person, skill)"
          @click="chosen = { personId: person.id, skill }"
        >
          <LevelMark :level="of(person.id, skill)?.level ?? null" />
          <span v-if="of(person.id, skill)?.level" class="small">{{
            levelWord(of(person.id, skill)?.level ?? null)
          }}</span>
          <span class="small own">{{ $t(`skill.${skill}`) }}</span>
        </AppButton>
      </li>
    </ul>
    <SignOffDialog
      v-if="current"
      v-model:visible="open"
      :one="current"
      :name="nameOf(current.personId)"
      :refusal="refusal"
      @level="setLevel(current, $event)"
    />
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
.proposals {
  margin: 10px 0;
  padding-left: 12px;
  border-left: 4px solid var(--ember);
}
.proposals p {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin-top: 6px;
}
.person {
  display: grid;
  grid-template-columns: 190px repeat(7, minmax(0, 1fr));
  gap: 0 10px;
  align-items: center;
  border-bottom: 1px solid var(--rule);
}
.head {
  position: sticky;
  top: 0;
  z-index: 1;
  align-items: end;
  padding: 6px 0;
  background: var(--ground);
  border-bottom: 1.5px solid var(--rule-strong);
  font-weight: 600;
}
.mark {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
  align-items: center;
  min-height: 40px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.own {
  display: none;
}
@media (max-width: 900px) {
  .head {
    display: none;
  }
  .person {
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    padding: 8px 0;
  }
  .person > b {
    grid-column: 1 / -1;
  }
  .mark {
    min-height: 56px;
  }
  .own {
    display: inline;
    flex-basis: 100%;
  }
}
</style>
