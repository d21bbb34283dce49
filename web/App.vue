<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref, watch } from 'vue'
import { RouterLink, RouterView, useRoute, useRouter } from 'vue-router'
import { useSoakTimers } from './bench/soakTimers'
import { say, useFormats } from './i18n'
import { useFleet } from './live/fleet'
import { useJobs } from './live/jobs'
import { useOutbox } from './live/outbox'
import { refusalText } from './refusalText'
import { useNetwork } from './stores/network'
import { useNotices } from './stores/notices'
import { useSession } from './stores/session'
import { useTheme } from './theme'
import AppButton from './ui/AppButton.vue'
import NavRail from './ui/NavRail.vue'
import ProgressLine from './ui/ProgressLine.vue'
import { useKeys } from './ui/useKeys'
import { useKeptDraft } from './week/keptDraft'

useTheme()
const session = useSession()
const fleet = useFleet()
const outbox = useOutbox()
const network = useNetwork()
const jobs = useJobs()
const keptDraft = useKeptDraft()
const notices = useNotices()
const soaks = useSoakTimers()
/** Stones that are ready; they say so on whatever page is open. */
const soaked = computed(() => soaks.running.filter((soak) => soak.leftMs === 0))
const formats = useFormats()
/** Whether what stands here is new. */
const weather = computed(() => {
  if (network.keptMs !== null)
    return say('shell.kept', { time: formats.value.moment(new Date(network.keptMs).toISOString()) })
  return fleet.stale ? say('shell.stale') : ''
})
const route = useRoute()
const router = useRouter()
// dialogs do not hold up the first screen, but the finder is there before anybody can ask for it
const fetchFinder = () => import('./ui/KnifeFinder.vue')
const KnifeFinder = defineAsyncComponent(fetchFinder)
onMounted(() => {
  setTimeout(() => {
    fetchFinder().catch(() => undefined)
    if (session.signedIn) jobs.look().catch(() => undefined)
  }, 1500)
})
/** News comes after the first screen; what is told before that waits for it. */
const NoticeBar = defineAsyncComponent(() => import('./ui/NoticeBar.vue'))
const ScreenHelp = defineAsyncComponent(() => import('./ui/ScreenHelp.vue'))
const ScanDialog = defineAsyncComponent(() => import('./scan/ScanDialog.vue'))
const finding = ref(false)
const scanning = ref(false)
const helping = ref(false)
// letters typed while the finder is still opening are meant for it
const canLeap = computed(() => session.signedIn !== null && !bare.value && !finding.value)
const bare = computed(() => Boolean(route.meta['bare']) || Boolean(route.meta['open']))

watch(
  () => session.person?.id,
  (person, before) => {
    // what somebody left half done is not the next one's
    if (before) {
      jobs.forget()
      keptDraft.keep(null)
    }
    if (!person) return
    if (!fleet.fleet)
      fleet.load().catch((error: unknown) => {
        notices.refused(refusalText(error))
      })
    fleet.watch()
  },
  { immediate: true },
)
watch(
  () => outbox.refusal,
  (sentence) => {
    if (sentence) notices.refused(sentence)
  },
)

useKeys({
  '/': (event) => {
    event.preventDefault()
    if (session.signedIn) finding.value = true
  },
  '.': () => {
    if (session.signedIn) scanning.value = true
  },
  '?': () => {
    helping.value = true
  },
  t: () => {
    if (canLeap.value) void router.push('/today')
  },
  r: () => {
    if (canLeap.value) void router.push('/rack')
  },
})
</script>

<template>
  <a class="unseen" href="#main">{{ $t('shell.skip') }}</a>
  <div class="shell" :class="{ bare }">
    <NavRail v-if="!bare && session.signedIn" @find="finding = true" @scan="scanning = true" @keys="helping = true" />
    <main id="main" tabindex="-1">
      <p
        v-if="session.signedIn && (fleet.stale || network.keptMs !== null || outbox.waitingCount > 0)"
        class="weather"
        role="status"
      >
        {{ weather }}
        {{ outbox.waitingCount > 0 ? say('shell.waiting', { n: outbox.waitingCount }) : '' }}
      </p>
      <p v-for="soak in soaked" :key="soak.stoneId" class="weather" role="status">
        {{ $t('bench.soakRings', { stone: soak.stoneName }) }}
        <AppButton kind="quiet" @click="soaks.lift(soak.stoneId)">{{ $t('bench.soakLift') }}</AppButton>
      </p>
      <p
        v-if="jobs.isOpen && jobs.job && route.name !== (jobs.job.kind === 'import' ? 'deliveries' : 'learned')"
        class="weather job"
      >
        <RouterLink :to="jobs.job.kind === 'import' ? '/deliveries' : '/learned'">{{
          $t(jobs.job.kind === 'import' ? 'exchange.progress' : 'house-learned.rebuilding', {
            done: jobs.job.done,
            total: jobs.job.total,
          })
        }}</RouterLink>
        <ProgressLine
          v-if="jobs.job.total > 0"
          :label="$t(jobs.job.kind === 'import' ? 'exchange.busy.taking' : 'house-learned.rebuildTitle')"
          :done="jobs.job.done"
          :total="jobs.job.total"
        />
      </p>
      <RouterView />
    </main>
  </div>
  <KnifeFinder v-if="finding" v-model:visible="finding" />
  <ScanDialog v-if="scanning" v-model:visible="scanning" />
  <ScreenHelp v-if="helping" v-model:visible="helping" />
  <NoticeBar />
</template>

<style scoped>
.shell {
  padding-top: var(--safe-top);
}
.shell:not(.bare) {
  padding-left: calc(var(--rail) + var(--safe-left));
}
main:focus {
  outline: none;
}
.weather {
  padding: 8px 26px;
  background: var(--ember-wash);
  font-weight: 600;
}
.job {
  display: flex;
  align-items: center;
  gap: 14px;
}
@media (max-width: 700px) {
  .shell:not(.bare) {
    padding-left: 0;
  }
}
</style>
