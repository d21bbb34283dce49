<script setup lang="ts">
import { RouterLink, useRouter } from 'vue-router'
import { useFleet } from '../live/fleet'
import { useSession } from '../stores/session'
import AppButton from './AppButton.vue'

const emit = defineEmits<{ find: []; keys: [] }>()
const session = useSession()
const fleet = useFleet()
const router = useRouter()

async function signOut(): Promise<void> {
  await session.signOut().catch(() => {
    session.leave()
  })
  fleet.forget()
  await router.push('/sign-in')
}
</script>

<template>
  <nav class="rail" :aria-label="$t('nav.label')">
    <b class="mark">Yorvik</b>
    <RouterLink to="/today">{{ $t('nav.today') }}</RouterLink>
    <RouterLink to="/my-day">{{ $t('nav.myday') }}</RouterLink>
    <RouterLink to="/week">{{ $t('nav.week') }}</RouterLink>
    <RouterLink to="/rack" :class="{ 'router-link-active': $route.name === 'knife' }">{{ $t('nav.rack') }}</RouterLink>
    <AppButton kind="bare" @click="emit('find')">{{ $t('nav.find') }}</AppButton>
    <RouterLink v-if="session.may('manage-house')" to="/crew">{{ $t('nav.crew') }}</RouterLink>
    <RouterLink to="/workshop" :class="{ 'router-link-active': $route.name === 'workshop' }">{{
      $t('nav.workshop')
    }}</RouterLink>
    <RouterLink to="/learned">{{ $t('nav.learned') }}</RouterLink>
    <RouterLink v-if="session.may('import')" to="/exchange">{{ $t('nav.exchange') }}</RouterLink>
    <RouterLink v-if="session.may('manage-house')" to="/house">{{ $t('nav.house') }}</RouterLink>
    <span class="gap" />
    <AppButton kind="bare" class="keys" @click="emit('keys')">{{ $t('nav.keys') }}</AppButton>
    <AppButton kind="bare" :title="session.person?.name ?? ''" @click="signOut">{{ $t('nav.leave') }}</AppButton>
  </nav>
</template>

<style scoped>
.rail {
  position: fixed;
  inset: 0 auto 0 0;
  width: var(--rail);
  display: flex;
  flex-direction: column;
  background: var(--slate);
  color: var(--on-slate);
  z-index: 10;
}
.mark {
  padding: 16px 0 14px;
  text-align: center;
  font-size: 1.1rem;
}
.rail a,
.rail button {
  display: flex;
  align-items: center;
  justify-content: center;
  min-height: 48px;
  padding: 6px 4px;
  border: 0;
  border-left: 4px solid transparent;
  border-right: 4px solid transparent;
  background: none;
  color: var(--on-slate-soft);
  font: 400 0.875rem var(--face);
  text-decoration: none;
  cursor: pointer;
}
.rail a:hover,
.rail button:hover {
  color: var(--on-slate);
}
.rail a.router-link-active {
  color: var(--on-slate);
  font-weight: 700;
  background: var(--slate-high);
  border-left-color: #e0a070;
}
.rail :focus-visible {
  outline-color: var(--on-slate);
  outline-offset: -4px;
}
.gap {
  flex: 1;
}
@media (max-width: 700px) {
  .rail {
    inset: auto 0 0 0;
    width: auto;
    flex-direction: row;
    justify-content: space-around;
    overflow-x: auto;
  }
  .rail .mark,
  .rail .gap,
  .rail .keys {
    display: none;
  }
  .rail a,
  .rail button {
    min-height: 60px;
    min-width: 64px;
    flex: 1;
    border: 0;
  }
  .rail a.router-link-active {
    box-shadow: inset 0 4px #e0a070;
  }
}
</style>
