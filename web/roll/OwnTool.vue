<script setup lang="ts">
import { computed } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { HONE_TOOLS, type HoneTool } from '../../core/edge/model/hone'
import { call } from '../api'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import ChoiceField from '../ui/ChoiceField.vue'

/** What somebody hones with, said once. */
const props = defineProps<{ personId: string }>()
const fleet = useFleet()
const notices = useNotices()
const options = computed(() => [
  { value: 'byKnife' as const, label: say('house.byKnife') },
  ...HONE_TOOLS.map((value) => ({ value, label: say(`toolChoice.${value}`) })),
])
const tool = computed({
  get: (): HoneTool | 'byKnife' => fleet.people.get(props.personId)?.honeTool ?? 'byKnife',
  set: (chosen) => {
    void save(chosen)
  },
})
async function save(chosen: HoneTool | 'byKnife'): Promise<void> {
  try {
    await call(endpoints.setHoneTool, {
      params: { id: props.personId },
      body: { tool: chosen === 'byKnife' ? null : chosen },
    })
    notices.done(say('myday.toolSaved', { tool: options.value.find(({ value }) => value === chosen)?.label ?? '' }))
  } catch (error) {
    notices.refused(refusalText(error))
  }
}
</script>

<template>
  <ChoiceField v-model="tool" :label="$t('myday.tool')" :options="options" />
</template>
