<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { catalogue, say } from '../spoken'
import { useNotices } from '../stores/notices'
import AppButton from './AppButton.vue'
import AppDialog from './AppDialog.vue'

/** What the screen is for in three sentences, a picture of it, and every key it listens to. */
const visible = defineModel<boolean>('visible', { required: true })
const route = useRoute()
const notices = useNotices()
const screen = computed(() => String(route.name ?? 'today'))
const PICTURES: Readonly<Record<string, string>> = {
  today: new URL('../../docs/screenshots/today.png', import.meta.url).href,
  wall: new URL('../../docs/screenshots/wall.png', import.meta.url).href,
  'moving-in': new URL('../../docs/screenshots/moving-in.png', import.meta.url).href,
  labels: new URL('../../docs/screenshots/rack.png', import.meta.url).href,
  roll: new URL('../../docs/screenshots/my-roll-phone.png', import.meta.url).href,
  rack: new URL('../../docs/screenshots/rack.png', import.meta.url).href,
  knife: new URL('../../docs/screenshots/knife.png', import.meta.url).href,
  session: new URL('../../docs/screenshots/bench.png', import.meta.url).href,
  check: new URL('../../docs/screenshots/check.png', import.meta.url).href,
  bench: new URL('../../docs/screenshots/bench.png', import.meta.url).href,
  'what-if': new URL('../../docs/screenshots/workshop.png', import.meta.url).href,
  workshop: new URL('../../docs/screenshots/workshop.png', import.meta.url).href,
  week: new URL('../../docs/screenshots/week.png', import.meta.url).href,
  year: new URL('../../docs/screenshots/year.png', import.meta.url).href,
  crew: new URL('../../docs/screenshots/crew.png', import.meta.url).href,
  learned: new URL('../../docs/screenshots/learned.png', import.meta.url).href,
  deliveries: new URL('../../docs/screenshots/deliveries.png', import.meta.url).href,
  lesson: new URL('../../docs/screenshots/lesson.png', import.meta.url).href,
  practice: new URL('../../docs/screenshots/practice.png', import.meta.url).href,
  count: new URL('../../docs/screenshots/count.png', import.meta.url).href,
  ledger: new URL('../../docs/screenshots/ledger.png', import.meta.url).href,
}
const keysOf = (part: string): [string, string][] => {
  const words: Readonly<Record<string, string | Readonly<Record<string, string>>>> = catalogue.value?.keys ?? {}
  const own = words[part]
  return typeof own === 'object' ? Object.entries(own) : []
}
const keys = computed(() => [...keysOf(screen.value), ...keysOf('everywhere')])
const clipboard = useClipboard({ legacy: true })
async function copyLink(): Promise<void> {
  await clipboard.copy(window.location.href)
  visible.value = false
  notices.done(say('shell.linkCopied'))
}
const title = computed(() => say(`place.${screen.value}`))
</script>

<template>
  <AppDialog v-model:visible="visible" :title="title">
    <div class="help">
      <div>
        <p>{{ $t(`help.${screen}`) }}</p>
        <img
          v-if="PICTURES[screen]"
          :src="PICTURES[screen]"
          :alt="$t('help.picture', { screen: title })"
          loading="lazy"
        />
      </div>
      <dl>
        <template v-for="[key, does] in keys" :key="key">
          <dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ does }}</dd>
        </template>
      </dl>
    </div>
    <div class="dialog-actions">
      <AppButton icon="link" @click="copyLink">{{ $t('shell.copyLink') }}</AppButton>
    </div>
  </AppDialog>
</template>

<style scoped>
.help {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 260px;
  gap: 24px;
}
img {
  width: 100%;
  max-height: 300px;
  object-fit: contain;
  object-position: left top;
  margin-top: 12px;
  border: 1px solid var(--rule);
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 8px 12px;
  align-content: start;
}
kbd {
  font: 600 0.95rem var(--face);
  border: 1.5px solid var(--steel-line);
  border-radius: 4px;
  padding: 1px 8px;
}
@media (max-width: 700px) {
  .help {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
