<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { say } from '../i18n'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import TextField from '../ui/TextField.vue'

interface SavedView {
  readonly name: string
  readonly query: Readonly<Record<string, string>>
}

/** Filters of the rack that somebody wants again, kept on this device under a name. */
const route = useRoute()
const notices = useNotices()
const saved = useLocalStorage<readonly SavedView[]>('yorvik.rack.views', [])
const naming = ref(false)
const name = ref('')
const now = computed(() =>
  Object.fromEntries(
    Object.entries(route.query).filter((entry): entry is [string, string] => typeof entry[1] === 'string'),
  ),
)
const sameQuery = (query: SavedView['query']): boolean =>
  JSON.stringify(Object.entries(query).sort()) === JSON.stringify(Object.entries(now.value).sort())
const isSaved = computed(() => saved.value.some(({ query }) => sameQuery(query)))

function save(): void {
  const title = name.value.trim()
  if (title === '') return
  saved.value = [...saved.value.filter((view) => view.name !== title), { name: title, query: now.value }]
  naming.value = false
  name.value = ''
}
function forget(view: SavedView): void {
  const before = saved.value
  saved.value = before.filter((one) => one !== view)
  notices.done(say('rack.viewGone', { name: view.name }), () => {
    saved.value = before
    return Promise.resolve()
  })
}
</script>

<template>
  <nav v-if="saved.length > 0 || Object.keys(now).length > 0" class="views no-print" :aria-label="$t('rack.views')">
    <span v-for="view in saved" :key="view.name" class="view" :class="{ here: sameQuery(view.query) }">
      <RouterLink
        :to="{ name: 'rack', query: view.query }"
        :aria-current="sameQuery(view.query) ? 'page' : undefined"
        >{{ view.name }}</RouterLink
      >
      <AppButton
        kind="bare"
        class="forget"
        :aria-label="$t('rack.forgetView', { name: view.name })"
        @click="forget(view)"
      >
        <span class="pi pi-times" aria-hidden="true" />
      </AppButton>
    </span>
    <AppButton v-if="!isSaved && Object.keys(now).length > 0" kind="quiet" icon="bookmark" @click="naming = true">{{
      $t('rack.saveView')
    }}</AppButton>
    <AppDialog v-model:visible="naming" :title="$t('rack.saveView')" narrow>
      <TextField
        v-model="name"
        :label="$t('rack.viewName')"
        :placeholder="$t('rack.viewExample')"
        @keydown.enter="save"
      />
      <div class="dialog-actions">
        <AppButton kind="main" :disabled="name.trim() === ''" @click="save">{{ $t('shell.save') }}</AppButton>
      </div>
    </AppDialog>
  </nav>
</template>

<style scoped>
.views {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  margin-bottom: 12px;
}
.view {
  display: inline-flex;
  align-items: center;
}
.view a {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
}
.here a {
  font-weight: 700;
  text-decoration: none;
  border-bottom: 3px solid var(--ember);
}
.forget {
  min-width: 36px;
  min-height: var(--target);
  border: 0;
  background: none;
  color: var(--ink-soft);
  cursor: pointer;
}
</style>
