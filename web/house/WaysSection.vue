<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import type { HouseWays } from '../../contract/bench'
import { endpoints } from '../../contract/endpoints'
import { PACES, WAY_IDS, WAYS, type Pace, type WayId } from '../../core/session/ways'
import { call } from '../api'
import { say } from '../i18n'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import ChoiceField from '../ui/ChoiceField.vue'

/** Where the trade disagrees: the ways of the house, or one's own over them. What is left open goes by the recipe. */
const props = defineProps<{ whose: 'house' | 'own' }>()
const notices = useNotices()
const ways = shallowRef<HouseWays | null>(null)
const refusal = ref('')
const OPEN = 'open'

async function load(): Promise<void> {
  try {
    ways.value = await call(endpoints.ways)
  } catch (error) {
    refusal.value = refusalText(error)
  }
}
void load()
const chosen = computed(() => ways.value?.[props.whose] ?? {})
const inherited = (id: WayId): string => {
  const ofHouse = props.whose === 'own' ? ways.value?.house[id] : undefined
  return ofHouse === undefined ? say('ways.byRecipe') : say('ways.byHouse', { option: say(`bench.option.${ofHouse}`) })
}
const optionsOf = (id: WayId): { value: string; label: string }[] => [
  { value: OPEN, label: inherited(id) },
  ...WAYS[id].map((option) => ({ value: option, label: say(`bench.option.${option}`) })),
]
const paces = PACES.map((value) => ({ value, label: say(`bench.paces.${value}`) }))

async function save(next: Readonly<Record<string, string>>, pace?: Pace): Promise<void> {
  try {
    ways.value = await call(endpoints.setWays, {
      body: { whose: props.whose, ways: { ...next }, ...(pace ? { pace } : {}) },
    })
    notices.done(say('ways.saved'))
  } catch (error) {
    notices.refused(refusalText(error))
  }
}
function choose(id: WayId, option: string): void {
  const { [id]: _, ...rest } = chosen.value
  void save(option === OPEN ? rest : { ...rest, [id]: option })
}
</script>

<template>
  <section>
    <p class="soft">{{ $t(whose === 'house' ? 'ways.hint' : 'ways.ownHint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <div v-if="ways" class="ways">
      <ChoiceField
        v-if="whose === 'own'"
        :model-value="ways.pace"
        :label="$t('bench.paceLabel')"
        :options="paces"
        @update:model-value="save(chosen, $event as Pace)"
      />
      <ChoiceField
        v-for="id in WAY_IDS"
        :key="id"
        :model-value="chosen[id] ?? OPEN"
        :label="$t(`bench.choice.${id}`)"
        :options="optionsOf(id)"
        @update:model-value="choose(id, String($event))"
      />
    </div>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 12px;
}
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 12px 20px;
}
</style>
