<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { MOVE_IN_STEPS, type MoveInStep } from '../../core/house/movingIn'
import { useChange } from '../house/useChange'
import { say } from '../i18n'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import KnifeStep from './KnifeStep.vue'
import MissingList from './MissingList.vue'
import PeopleStep from './PeopleStep.vue'
import ShelfStep from './ShelfStep.vue'
import StationStep from './StationStep.vue'
import { useMovingIn } from './useMovingIn'
import WeekStep from './WeekStep.vue'

/** The first hour of a house: five things it says of itself, and one list of what is still missing. */
const PARTS = {
  week: WeekStep,
  stations: StationStep,
  people: PeopleStep,
  shelf: ShelfStep,
  knives: KnifeStep,
  missing: MissingList,
} as const
type Part = keyof typeof PARTS
const session = useSession()
const route = useRoute()
const router = useRouter()
const { settled, left, settle } = useMovingIn()
const { refusal, change, changeWithUndo } = useChange()
const parts: readonly Part[] = [...MOVE_IN_STEPS, 'missing']
const part = computed<Part>(() => parts.find((name) => name === route.query['part']) ?? left.value[0] ?? 'missing')
const isSettled = (name: Part): boolean => name !== 'missing' && settled.value.includes(name)

async function right(step: MoveInStep): Promise<void> {
  const next = parts[parts.indexOf(step) + 1] ?? 'missing'
  if (await change(() => settle(step))) await router.push({ query: { part: next } })
}
async function leaveRest(): Promise<void> {
  let undo = async (): Promise<void> => {}
  await changeWithUndo(
    async () => {
      undo = await settle(...MOVE_IN_STEPS)
    },
    say('movingIn.left'),
    () => undo(),
  )
}
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('place.moving-in') }}</h1>
      <span class="soft">{{ session.house?.name }}</span>
      <span class="end">
        <AppButton v-if="left.length > 0" kind="quiet" @click="leaveRest">{{ $t('movingIn.leave') }}</AppButton>
      </span>
    </header>
    <nav :aria-label="$t('movingIn.parts')">
      <ol>
        <li v-for="(name, at) in parts" :key="name">
          <RouterLink :to="{ query: { part: name } }" :aria-current="part === name ? 'step' : undefined">
            <span class="at num" :class="{ done: isSettled(name) }">
              <span v-if="isSettled(name)" class="pi pi-check" :aria-label="$t('movingIn.done')" role="img" />
              <template v-else>{{ at + 1 }}</template>
            </span>
            {{ $t(`movingIn.part.${name}`) }}
          </RouterLink>
        </li>
      </ol>
    </nav>
    <component :is="PARTS[part]" @settled="part !== 'missing' && right(part)" />
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
ol {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  margin: 4px 0 18px;
  border-bottom: 3px solid var(--rule-strong);
}
ol a {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  padding: 6px 14px 6px 6px;
  color: inherit;
  text-decoration: none;
}
ol a[aria-current='step'] {
  font-weight: 700;
  box-shadow: inset 0 -5px var(--ember);
}
.at {
  display: grid;
  place-items: center;
  width: 28px;
  height: 28px;
  border: 1.5px solid var(--rule-strong);
  border-radius: 4px;
}
.at.done {
  background: var(--slate);
  color: var(--on-slate);
}
</style>
