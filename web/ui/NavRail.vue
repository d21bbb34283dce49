<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { useSession } from '../stores/session'
import AppButton from './AppButton.vue'
import MoreMenu, { type MoreItem } from './MoreMenu.vue'

const emit = defineEmits<{ find: []; scan: []; keys: [] }>()
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

interface Place {
  readonly name: string
  readonly to: string
  readonly icon: string
  readonly here: boolean
}
const route = useRoute()
const place = (name: string, to: string, icon: string, ...others: string[]): Place => ({
  name,
  to,
  icon,
  here: others.includes(String(route.name)),
})
/** What a cook needs; on a phone these four stand, the rest is behind one key. */
const first = computed(() => [
  place('today', '/today', 'sun'),
  place('myday', '/roll', 'user'),
  place('rack', '/rack', 'list', 'knife', 'session'),
  place('week', '/week', 'calendar'),
])
const rest = computed(() => [
  ...(session.may('manage-house') ? [place('crew', '/crew', 'users')] : []),
  place('workshop', '/workshop', 'wrench', 'workshop'),
  place('learned', '/learned', 'chart-line'),
  ...(session.may('manage-house')
    ? [place('ledger', '/ledger', 'book', 'report', 'time', 'stock', 'safety-file')]
    : []),
  ...(session.may('import') ? [place('exchange', '/deliveries', 'box')] : []),
  ...(session.may('manage-house') ? [place('house', '/house', 'home')] : []),
])
const behind = computed((): MoreItem[] => [
  {
    label: say('nav.find'),
    act: () => {
      emit('find')
    },
  },
  {
    label: say('nav.scan'),
    act: () => {
      emit('scan')
    },
  },
  {
    label: say('help.label'),
    act: () => {
      emit('keys')
    },
  },
  ...rest.value.map(({ name, to }) => ({ label: say(`nav.${name}`), to })),
  {
    label: say('nav.leave'),
    act: () => {
      void signOut()
    },
  },
])
</script>

<template>
  <nav class="rail" :aria-label="$t('nav.label')">
    <b class="mark">Yorvik</b>
    <RouterLink v-for="one in first" :key="one.to" :to="one.to" :class="{ 'router-link-active': one.here }">
      <span class="pi" :class="`pi-${one.icon}`" aria-hidden="true" />{{ $t(`nav.${one.name}`) }}
    </RouterLink>
    <RouterLink v-for="one in rest" :key="one.to" class="wide" :to="one.to" :class="{ 'router-link-active': one.here }">
      <span class="pi" :class="`pi-${one.icon}`" aria-hidden="true" />{{ $t(`nav.${one.name}`) }}
    </RouterLink>
    <span class="gap wide" />
    <AppButton kind="bare" class="wide" @click="emit('find')">
      <span class="pi pi-search" aria-hidden="true" />{{ $t('nav.find') }}
    </AppButton>
    <AppButton kind="bare" class="wide" @click="emit('scan')">
      <span class="pi pi-qrcode" aria-hidden="true" />{{ $t('nav.scan') }}
    </AppButton>
    <AppButton kind="bare" class="wide" @click="emit('keys')">{{ $t('nav.keys') }}</AppButton>
    <AppButton kind="bare" class="wide" @click="signOut">
      {{ $t('nav.leave') }}
    </AppButton>
    <MoreMenu class="narrow" kind="bare" icon="bars" :label="$t('nav.more')" :items="behind" />
  </nav>
</template>

<style scoped>
.rail {
  position: fixed;
  inset: 0 auto 0 0;
  width: calc(var(--rail) + var(--safe-left));
  padding: var(--safe-top) 0 var(--safe-bottom) var(--safe-left);
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
.rail :deep(button) {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 3px;
  min-height: 52px;
  padding: 6px 2px;
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
.rail :deep(button:hover) {
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
.rail :deep(.pi) {
  font-size: 1rem;
}
.rail :deep(.narrow) {
  display: none;
}
.gap {
  flex: 1;
}
@media (max-width: 700px) {
  .rail {
    inset: auto 0 0 0;
    width: auto;
    flex-direction: row;
    padding: 0 var(--safe-right) var(--safe-bottom) var(--safe-left);
  }
  .rail .mark,
  .rail .wide {
    display: none;
  }
  .rail a,
  .rail :deep(.narrow) {
    display: flex;
    flex: 1;
    min-width: 0;
    min-height: 60px;
    border: 0;
  }
  .rail a.router-link-active {
    box-shadow: inset 0 4px #e0a070;
  }
}
@media (max-height: 620px) {
  .rail a,
  .rail :deep(button) {
    min-height: 40px;
  }
}
</style>
