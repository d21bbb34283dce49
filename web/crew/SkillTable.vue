<script setup lang="ts">
import { endpoints } from '../../contract/endpoints'
import type { Person } from '../../contract/house'
import type { Crew, PersonSkill } from '../../contract/week'
import { SKILLS, type Skill } from '../../core/house/skills'
import { capital } from '../../words/format'
import { call } from '../api'
import { useChange } from '../house/useChange'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'

const props = defineProps<{ crew: Crew; people: readonly Person[] }>()
const emit = defineEmits<{ changed: [crew: Crew] }>()
const fleet = useFleet()
const formats = useFormats()
const { refusal, change } = useChange()
const signed = (personId: string, skill: Skill): PersonSkill | undefined =>
  props.crew.skills.find((one) => one.personId === personId && one.skill === skill)
function label(person: Person, skill: Skill): string {
  const found = signed(person.id, skill)
  const words = found
    ? say('crew.signed', {
        skill: say(`skill.${skill}`),
        name: fleet.people.get(found.signedBy ?? '')?.name ?? '',
        day: formats.value.shortDay(found.signedAt),
      })
    : say('crew.unsigned', { skill: say(`skill.${skill}`) })
  return `${person.name}, ${words}`
}
async function toggle(personId: string, skill: Skill): Promise<void> {
  const own = props.crew.skills.filter((one) => one.personId === personId).map((one) => one.skill)
  const skills = own.includes(skill) ? own.filter((one) => one !== skill) : [...own, skill]
  await change(async () => {
    emit('changed', await call(endpoints.setSkills, { params: { id: personId }, body: { skills } }))
  })
}
</script>

<template>
  <section class="wide-table">
    <h2>{{ $t('crew.skills') }}</h2>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <table class="plain people-table">
      <thead>
        <tr>
          <th />
          <th v-for="skill in SKILLS" :key="skill">{{ capital($t(`skill.${skill}`)) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="person in people" :key="person.id">
          <th scope="row">{{ person.name }}</th>
          <td v-for="skill in SKILLS" :key="skill">
            <AppButton
              kind="bare"
              class="mark"
              role="checkbox"
              :aria-checked="signed(person.id, skill) !== undefined"
              :aria-label="label(person, skill)"
              :title="label(person, skill)"
              @click="toggle(person.id, skill)"
            >
              <svg v-if="signed(person.id, skill)" width="22" height="22" aria-hidden="true">
                <path d="M4 12l5 5 9-12" fill="none" stroke="currentColor" stroke-width="3" />
              </svg>
            </AppButton>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
thead th {
  position: sticky;
  top: 0;
  background: var(--ground);
}
.mark {
  width: 40px;
  height: 36px;
  padding: 0;
  display: grid;
  place-items: center;
  border: 1.5px solid var(--rule);
  border-radius: 4px;
  background: var(--paper);
  color: var(--keen);
  cursor: pointer;
}
</style>
