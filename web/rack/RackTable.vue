<script setup lang="ts">
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { useRouter } from 'vue-router'
import type { KnifeView } from '../../contract/knives'
import { ZONES } from '../../core/knife/zones'
import { isCountedOnly } from '../../core/knife/knifeTypes'
import { useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import CheckField from '../ui/CheckField.vue'
import EdgeMark from '../ui/EdgeMark.vue'
import { toggled } from './toggled'

const props = defineProps<{ knives: readonly KnifeView[]; choosing: boolean }>()
const chosen = defineModel<ReadonlySet<string>>('chosen', { required: true })
const fleet = useFleet()
const formats = useFormats()
const router = useRouter()
const pt = {
  tableContainer: { class: 'rack-table' },
  table: { class: 'plain' },
  column: { columnResizer: { class: 'rack-resize' } },
}

function open({ data }: { data: KnifeView }): void {
  if (props.choosing) chosen.value = toggled(chosen.value, data.id)
  else void router.push({ name: 'knife', params: { code: data.code } })
}
</script>

<template>
  <DataTable
    :value="[...knives]"
    data-key="id"
    :pt="pt"
    row-hover
    resizable-columns
    column-resize-mode="expand"
    @row-click="open"
  >
    <Column v-if="choosing" :header="$t('rack.chosen', { n: chosen.size })">
      <template #body="{ data: knife }">
        <CheckField
          bare
          :model-value="chosen.has(knife.id)"
          :label="$t('rack.chooseOne', { code: knife.code })"
          @click.stop
          @update:model-value="chosen = toggled(chosen, knife.id)"
        />
      </template>
    </Column>
    <Column :header="$t('field.code')">
      <template #body="{ data: knife }"
        ><RouterLink class="num" :to="{ name: 'knife', params: { code: knife.code } }"
          ><b>{{ knife.code }}</b></RouterLink
        ></template
      >
    </Column>
    <Column :header="$t('field.type')">
      <template #body="{ data: knife }"
        >{{ $t(`type.${knife.type}`) }}<span v-if="knife.name" class="soft">, {{ knife.name }}</span></template
      >
    </Column>
    <Column :header="$t('field.lengthMm')"
      ><template #body="{ data: knife }"
        ><span class="num">{{ isCountedOnly(knife.type) ? '–' : formats.length(knife.lengthMm) }}</span></template
      ></Column
    >
    <Column :header="$t('field.stationId')"
      ><template #body="{ data: knife }">{{ fleet.stations.get(knife.stationId)?.name }}</template></Column
    >
    <Column :header="$t('field.holderId')"
      ><template #body="{ data: knife }">{{
        fleet.people.get(knife.holderId ?? '')?.name ?? $t('rack.nobody')
      }}</template></Column
    >
    <Column v-for="zone in ZONES" :key="zone" :header="`${$t(`zone.${zone}`)}, gf`">
      <template #body="{ data: knife }"
        ><span class="num">{{ isCountedOnly(knife.type) ? '–' : knife.zones[zone].forceGf }}</span></template
      >
    </Column>
    <Column :header="$t('rack.limit')"
      ><template #body="{ data: knife }"
        ><span class="num">{{ isCountedOnly(knife.type) ? '–' : knife.limitGf }}</span></template
      ></Column
    >
    <Column :header="$t('rack.condition')"
      ><template #body="{ data: knife }"><EdgeMark v-if="!isCountedOnly(knife.type)" :word="knife.word" /></template
    ></Column>
    <Column :header="$t('rack.lastCheck')">
      <template #body="{ data: knife }"
        ><span class="num">{{ knife.checkedAt ? formats.shortDay(knife.checkedAt) : $t('rack.never') }}</span></template
      >
    </Column>
  </DataTable>
</template>

<style>
.rack-table {
  overflow-x: auto;
}
.rack-table th,
.rack-table td {
  white-space: nowrap;
}
.rack-table th {
  position: relative;
}
.rack-resize {
  position: absolute;
  inset: 4px 0 4px auto;
  width: 10px;
  border-right: 1.5px solid var(--rule);
  cursor: col-resize;
}
.rack-table tbody tr {
  cursor: pointer;
}
.rack-table tbody tr:hover {
  background: var(--paper);
}
</style>
