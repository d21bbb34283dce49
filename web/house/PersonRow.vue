<script setup lang="ts">
import { computed } from 'vue'
import type { Person } from '../../contract/house'
import type { KnifeView } from '../../contract/knives'
import type { Skill } from '../../core/house/skills'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'

/** Somebody of the crew: their knives to one scale, and what they may do. */
const props = defineProps<{ person: Person; knives: readonly KnifeView[]; skills: readonly Skill[] | null }>()
const emit = defineEmits<{ change: []; active: [is: boolean] }>()
const signsInBy = computed(
  () =>
    [
      props.person.signInName ? say('house.byPassword', { name: props.person.signInName }) : '',
      props.person.hasPin ? say('field.pin') : '',
    ]
      .filter(Boolean)
      .join(', ') || say('house.cannot'),
)
const may = computed(() =>
  props.skills && props.skills.length > 0
    ? props.skills.map((skill) => say(`skill.${skill}`)).join(', ')
    : say('house.mayNothing'),
)
</script>

<template>
  <li :class="{ soft: !person.active }" :data-person="person.name">
    <div class="who">
      <h2>{{ person.name }}</h2>
      <p>{{ $t(`person.${person.role}`) }}</p>
      <p class="small soft">{{ $t('shell.pair', { name: $t('house.signsIn'), value: signsInBy }) }}</p>
    </div>
    <div class="roll">
      <RouterLink
        v-for="knife in knives"
        :key="knife.id"
        class="knife"
        :to="{ name: 'knife', params: { code: knife.code } }"
      >
        <EdgeStrip :knife="knife" :px-per-mm="0.24" /><b class="num small">{{ knife.code }}</b>
      </RouterLink>
      <p v-if="knives.length === 0" class="small soft">{{ $t('house.holdsNothing') }}</p>
    </div>
    <p v-if="skills" class="small may">
      <b>{{ $t('house.may') }}</b> {{ may }}
    </p>
    <div class="keys">
      <AppButton kind="quiet" :aria-label="$t('house.changeOf', { name: person.name })" @click="emit('change')">
        {{ $t('house.change') }}
      </AppButton>
      <AppButton
        kind="quiet"
        :aria-label="$t(person.active ? 'house.leavesOf' : 'house.returnsOf', { name: person.name })"
        @click="emit('active', !person.active)"
      >
        {{ $t(person.active ? 'house.leaves' : 'house.returns') }}
      </AppButton>
    </div>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(150px, 200px) minmax(0, 1fr) minmax(120px, 240px) auto;
  gap: 6px 22px;
  align-items: start;
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
}
.roll {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
}
.knife {
  display: grid;
  justify-items: start;
  min-height: var(--target);
  align-content: center;
  text-decoration: none;
}
.may b {
  display: block;
}
.keys {
  display: grid;
  justify-items: end;
}
@media (max-width: 900px) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
  .keys {
    display: flex;
  }
}
</style>
