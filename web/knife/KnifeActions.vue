<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { say } from '../i18n'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import MoreMenu, { type MoreItem } from '../ui/MoreMenu.vue'
import { useHoning } from '../ui/useHoning'
import { knifeActs, type KnifeAct } from './knifeActs'
import type { KnifeDialog } from './KnifeDialogs.vue'

/** What the sentence above says to do, its runner-up, and the rest behind one key. */
const props = defineProps<{ knife: KnifeView }>()
const emit = defineEmits<{ ask: [dialog: KnifeDialog] }>()
const session = useSession()
const { busy, honed } = useHoning()
const acts = computed(() => knifeActs(props.knife, session.may))
const shown = computed(() => [acts.value.first, acts.value.second].filter((act) => act !== null))
function run({ hone, dialog }: KnifeAct): void {
  if (hone) void honed(props.knife)
  else if (dialog) emit('ask', dialog)
}
const more = computed((): MoreItem[] =>
  acts.value.more.map((act) => ({
    label: say(`knife.act.${act.key}`),
    ...(act.to === undefined
      ? {
          act: () => {
            run(act)
          },
        }
      : { to: act.to }),
  })),
)
</script>

<template>
  <div class="actions no-print">
    <AppButton
      v-for="act in shown"
      :key="act.key"
      v-bind="{ ...(act.to === undefined ? {} : { to: act.to }), ...(act === acts.first ? { kind: 'main' } : {}) }"
      :disabled="busy && act.hone === true"
      @click="run(act)"
    >
      {{ $t(`knife.act.${act.key}`) }}
    </AppButton>
    <MoreMenu :label="$t('knife.more')" :items="more" />
  </div>
</template>

<style scoped>
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
