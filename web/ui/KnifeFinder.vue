<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import InputText from 'primevue/inputtext'
import { useFleet } from '../live/fleet'
import AppButton from './AppButton.vue'
import AppDialog from './AppDialog.vue'
import EdgeStrip from './EdgeStrip.vue'
import { matchesQuery } from './findKnives'

const visible = defineModel<boolean>('visible', { required: true })
const fleet = useFleet()
const router = useRouter()
const query = ref('')
const MOST = 8
/** Ids of the knives opened from here last, the newest first; this device's own. */
const recent = useStorage<string[]>('yorvik.recent-knives', [])
const found = computed(() => {
  const all = fleet.knives.filter((knife) => matchesQuery(knife, query.value, fleet))
  if (query.value.trim() !== '') return all.slice(0, MOST)
  const at = (id: string): number => (recent.value.includes(id) ? recent.value.indexOf(id) : MOST)
  return [...all].sort((a, b) => at(a.id) - at(b.id)).slice(0, MOST)
})
watch(visible, (open) => {
  if (open) query.value = ''
})

function open(code: string | undefined): void {
  if (!code) return
  const id = fleet.byCode(code)?.id
  if (id) recent.value = [id, ...recent.value.filter((one) => one !== id)].slice(0, MOST)
  visible.value = false
  void router.push({ name: 'knife', params: { code } })
}
</script>

<template>
  <AppDialog v-model:visible="visible" :title="$t('finder.title')">
    <InputText
      v-model="query"
      autofocus
      :aria-label="$t('finder.title')"
      :placeholder="$t('finder.hint')"
      @keydown.enter="open(found[0]?.code)"
    />
    <ul class="found">
      <li v-for="knife in found" :key="knife.id">
        <AppButton kind="bare" @click="open(knife.code)">
          <b class="num">{{ knife.code }}</b>
          <EdgeStrip :knife="knife" :px-per-mm="0.36" />
          <span class="soft">{{
            [$t(`type.${knife.type}`), knife.name, fleet.people.get(knife.holderId ?? '')?.name]
              .filter(Boolean)
              .join(' · ')
          }}</span>
        </AppButton>
      </li>
    </ul>
    <p v-if="found.length === 0" class="soft">{{ $t('finder.none') }}</p>
  </AppDialog>
</template>

<style scoped>
.found {
  margin-top: 10px;
}
.found button {
  display: grid;
  grid-template-columns: 70px 180px 1fr;
  align-items: center;
  width: 100%;
  min-height: 48px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.found button:hover {
  background: var(--paper);
}
</style>
