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
const { refusal, changeWithUndo } = useChange()
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
async function toggle({ id, name }: Person, skill: Skill): Promise<void> {
  const own = props.crew.skills.filter(({ personId }) => personId === id).map((one) => one.skill)
  const send = (skills: readonly Skill[]) => async (): Promise<void> => {
    emit('changed', await call(endpoints.setSkills, { params: { id }, body: { skills } }))
  }
  const next = own.includes(skill) ? own.filter((one) => one !== skill) : [...own, skill]
  if (!(await changeWithUndo(send(next), say('crew.skillsSaved', { name }), send(own)))) refused.value++
}
</script>

<template>
  <section>
    <h2>{{ $t('crew.skills') }}</h2>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <div class="person head small soft" aria-hidden="true">
      <span />
      <span v-for="skill in SKILLS" :key="skill">{{ capital($t(`skill.${skill}`)) }}</span>
    </div>
    <ul>
      <li v-for="person in people" :key="person.id" class="person">
        <b>{{ person.name }}</b>
        <div v-for="skill in SKILLS" :key="skill" class="mark">
          <CheckField
            :key="refused"
            bare
            :model-value="signed(person.id, skill) !== undefined"
            :label="label(person, skill)"
            @update:model-value="toggle(person, skill)"
          />
          <span class="small own" aria-hidden="true">{{ capital($t(`skill.${skill}`)) }}</span>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
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
    display: flex;
    align-items: center;
    gap: 8px;
  }
  .own {
    display: inline;
  }
}
</style>
