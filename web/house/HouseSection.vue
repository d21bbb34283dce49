<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import { LANGUAGES, LANGUAGE_TRAITS } from '../../contract/languages'
import { STATED_HABITS, type StatedHabit } from '../../core/edge/fleet/habits'
import { KNIFE_ROLES } from '../../core/knife/knifeTypes'
import { DAY_ORDERS } from '../../contract/scalars'
import { call } from '../api'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import { THEMES, useTheme } from '../theme'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'
import BackupAge from './BackupAge.vue'
import PhotoRoom from './PhotoRoom.vue'
import { timeZoneChoices } from '../ui/timeZones'

/** The last day of March, in each order. */
const DAY_EXAMPLES = { dmy: '31/03/2026', mdy: '03/31/2026', ymd: '2026-03-31' } as const
const session = useSession()
const notices = useNotices()
const fleet = useFleet()
const {
  name = '',
  zone = 'UTC',
  units: unitsNow = 'mm',
  dayOrder = 'dmy',
  language = 'en',
  serviceLimits = { fine: 260, general: 350, butchery: 420, bread: 600 },
} = session.house ?? {}
const form = reactive({ name, zone, units: unitsNow, dayOrder, language })
const languages = LANGUAGES.map((value) => ({ value, label: LANGUAGE_TRAITS[value].name }))
const habit = ref<StatedHabit | 'unsaid'>(session.house?.honingHabit ?? 'unsaid')
const habits = computed(() =>
  (['unsaid', ...STATED_HABITS] as const).map((value) => ({ value, label: say(`habit.${value}`) })),
)
const limits = ref<Record<(typeof KNIFE_ROLES)[number], number | null>>({ ...serviceLimits })
const units = computed(() => [
  { value: 'mm' as const, label: say('door.mm') },
  { value: 'in' as const, label: say('door.inches') },
])
const orders = computed(() =>
  DAY_ORDERS.map((value) => ({
    value,
    label: say('shell.pair', { name: say(`exchange.order.${value}`), value: DAY_EXAMPLES[value] }),
  })),
)
const theme = useTheme()
const themes = computed(() => THEMES.map((value) => ({ value, label: say(`theme.${value}`) })))

function draft(): object {
  const { fine, general, butchery, bread } = limits.value
  return {
    ...form,
    honingHabit: habit.value === 'unsaid' ? null : habit.value,
    serviceLimits: { fine, general, butchery, bread },
  }
}
async function save(body: BodyOf<typeof endpoints.editHouse>): Promise<void> {
  await call(endpoints.editHouse, { body })
  await session.resume()
  await fleet.load()
  notices.done(say('house.saved'))
}
const zones = timeZoneChoices(zone)
</script>

<template>
  <AppForm :schema="endpoints.editHouse.body" :draft="draft" :send="save">
    <div class="form-grid">
      <TextField v-model="form.name" name="name" :label="$t('field.houseName')" />
      <ChoiceField
        v-model="form.zone"
        name="zone"
        :label="$t('door.zone')"
        :options="zones"
        searchable
        :hint="$t('door.zoneHint')"
      />
      <ChoiceField v-model="form.units" :label="$t('field.units')" :options="units" />
      <ChoiceField
        v-model="form.dayOrder"
        :label="$t('house.dayOrder')"
        :options="orders"
        :hint="$t('house.dayOrderHint')"
      />
      <ChoiceField
        v-model="form.language"
        :label="$t('house.language')"
        :options="languages"
        :hint="$t('house.languageHint')"
      />
      <ChoiceField v-model="habit" :label="$t('habit.label')" :options="habits" :hint="$t('habit.hint')" />
    </div>
    <section class="heavy-rule">
      <h2>{{ $t('house.limits') }}</h2>
      <p class="soft">{{ $t('house.limitsHint') }}</p>
      <div class="form-grid">
        <MeasureField
          v-for="role in KNIFE_ROLES"
          :key="role"
          v-model="limits[role]"
          :name="`serviceLimits.${role}`"
          :label="$t(`role.${role}`)"
          unit="gf"
        />
      </div>
    </section>
    <template #actions="{ busy }">
      <p>
        <AppButton kind="main" type="submit" :disabled="busy">{{ $t('shell.save') }}</AppButton>
      </p>
      <BackupAge />
      <section class="heavy-rule">
        <h2>{{ $t('house.screen') }}</h2>
        <div class="form-grid"><ChoiceField v-model="theme" :label="$t('theme.label')" :options="themes" /></div>
      </section>
    </template>
  </AppForm>
  <PhotoRoom />
</template>

<style scoped>
form {
  display: grid;
  gap: 18px;
}
.form-grid {
  margin-top: 8px;
}
</style>
