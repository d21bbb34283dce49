<script setup lang="ts">
import { ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Person } from '../../contract/house'
import type { Crew, PersonSkill } from '../../contract/week'
import { SKILLS, type Skill } from '../../core/house/skills'
import { capital } from '../../words/format'
import { call } from '../api'
import { useChange } from '../house/useChange'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import CheckField from '../ui/CheckField.vue'

const props = defineProps<{ crew: Crew; people: readonly Person[] }>()
const emit = defineEmits<{ changed: [crew: Crew] }>()
const fleet = useFleet()
const formats = useFormats()
const { refusal, change } = useChange()
/** A refused tick is drawn again as it was. */
const refused = ref(0)
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
  const done = await change(async () => {
    emit('changed', await call(endpoints.setSkills, { params: { id: personId }, body: { skills } }))
  })
  if (!done) refused.value++
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
            <CheckField
              :key="refused"
              bare
              :model-value="signed(person.id, skill) !== undefined"
              :label="label(person, skill)"
              @update:model-value="toggle(person.id, skill)"
            />
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
</style>
