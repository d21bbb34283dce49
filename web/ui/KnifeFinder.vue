<script setup lang="ts">
import { FilterService } from '@primevue/core/api'
import Listbox from 'primevue/listbox'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import type { KnifeView } from '../../contract/knives'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import AppDialog from './AppDialog.vue'
import EdgeStrip from './EdgeStrip.vue'
import { matchesQuery } from './findKnives'
import { useRecentKnives } from './recentKnives'

/** Finds a knife by what one knows of it: typed, then chosen with the arrows or a touch. */
const visible = defineModel<boolean>('visible', { required: true })
const fleet = useFleet()
const router = useRouter()
const MATCH = 'knife'
const LINE_PX = 50
const typed = ref('')
/** The whole knife is what is searched; the control's types know only names of its parts. */
const wholeKnife = ((knife: KnifeView) => knife) as unknown as string
FilterService.register(MATCH, (knife: KnifeView, text: string) => matchesQuery(knife, text, fleet))

const recent = useRecentKnives()
const inOrder = computed(() => [...fleet.knives].sort((a, b) => recent.placeOf(a.code) - recent.placeOf(b.code)))
const words = (knife: KnifeView): string =>
  [say(`type.${knife.type}`), knife.name, fleet.people.get(knife.holderId ?? '')?.name].filter(Boolean).join(' · ')

function open(knife: KnifeView | null | undefined): void {
  if (!knife) return
  visible.value = false
  void router.push({ name: 'knife', params: { code: knife.code } })
}
const list = useTemplateRef<{ focusedOptionIndex: number }>('list')
/** Enter without a line under the arrows opens the first one found. */
function enter(): void {
  if (list.value?.focusedOptionIndex === -1)
    open(inOrder.value.find((knife) => matchesQuery(knife, typed.value, fleet)))
}
</script>

<template>
  <AppDialog v-model:visible="visible" :title="$t('finder.title')">
    <Listbox
      ref="list"
      :model-value="null"
      :options="inOrder"
      :option-label="words"
      data-key="id"
      filter
      :filter-fields="[wholeKnife]"
      :filter-match-mode="MATCH"
      :filter-placeholder="$t('finder.hint')"
      :auto-option-focus="false"
      :empty-filter-message="$t('finder.none')"
      :virtual-scroller-options="{ itemSize: LINE_PX }"
      scroll-height="min(400px, 55vh)"
      :aria-label="$t('finder.title')"
      :pt="{ pcFilter: { root: { 'aria-label': $t('finder.title'), autofocus: true } } }"
      @filter="typed = $event.value"
      @update:model-value="open"
      @keydown.enter.capture="enter"
    >
      <template #option="{ option: knife }">
        <b class="num">{{ knife.code }}</b>
        <EdgeStrip :knife="knife" :px-per-mm="0.36" />
        <span class="soft words">{{ words(knife) }}</span>
      </template>
    </Listbox>
  </AppDialog>
</template>

<style scoped>
.words {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
