<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { MoneyChange, type Money } from '../../contract/ledger'
import { PERSON_ROLES } from '../../core/house/rights'
import { call } from '../api'
import { say } from '../i18n'
import { useResource } from '../live/resource'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'

/** What the house pays, said once; a new currency asks for its rate, so that no price stands in the wrong one. */
const props = defineProps<{ money: Money | null }>()
const emit = defineEmits<{ saved: [] }>()
const notices = useNotices()
const { value: gear } = useResource(endpoints.gear)
const HUNDRED = 100
const currency = ref(props.money?.currency ?? '')
const rate = ref<number | null>(null)
const hourly = reactive({
  ...Object.fromEntries(PERSON_ROLES.map((role) => [role, props.money?.hourly[role] ?? null])),
} as Record<(typeof PERSON_ROLES)[number], number | null>)
const interest = ref<number | null>(props.money ? HUNDRED * props.money.interest : 0)
const grinder = ref<number | null>(props.money?.grinder ?? null)
const dullHour = ref<number | null>(props.money?.dullHour ?? null)
const stones = reactive<Record<string, { price: number | null; newMm: number | null }>>({ ...props.money?.gear })
const told = computed(() => (gear.value ?? []).filter(({ active }) => active))
const of = (id: string): { price: number | null; newMm: number | null } => (stones[id] ??= { price: null, newMm: null })
const isOther = computed(
  () => props.money !== null && currency.value.length === 3 && currency.value.toUpperCase() !== props.money.currency,
)
const draft = (): object => ({
  money: {
    currency: currency.value.trim().toUpperCase(),
    hourly: { ...hourly },
    interest: (interest.value ?? 0) / HUNDRED,
    grinder: grinder.value,
    dullHour: dullHour.value,
    gear: Object.fromEntries(Object.entries(stones).filter(([, { price, newMm }]) => price !== null || newMm !== null)),
  },
  rate: isOther.value ? rate.value : null,
})
async function save(body: MoneyChange): Promise<void> {
  await call(endpoints.setMoney, { body })
  notices.done(say('ledger.saved'))
  emit('saved')
}
</script>

<template>
  <AppForm :schema="MoneyChange" :draft="draft" :send="save">
    <div class="row">
      <TextField v-model="currency" name="money.currency" :label="$t('ledger.currency')" />
      <MeasureField
        v-if="isOther && money"
        v-model="rate"
        name="rate"
        :label="$t('ledger.rate', { from: money.currency, to: currency.toUpperCase() })"
      />
      <MeasureField v-model="interest" name="money.interest" :label="$t('ledger.interest')" unit="%" />
      <MeasureField v-model="grinder" name="money.grinder" :label="$t('ledger.grinder')" />
      <MeasureField
        v-model="dullHour"
        name="money.dullHour"
        :label="$t('ledger.dullHour')"
        :hint="$t('ledger.dullHint')"
      />
    </div>
    <h3>{{ $t('ledger.hourly') }}</h3>
    <div class="row">
      <MeasureField
        v-for="role in PERSON_ROLES"
        :key="role"
        v-model="hourly[role]"
        :name="`money.hourly.${role}`"
        :label="$t(`person.${role}`)"
      />
    </div>
    <h3>{{ $t('ledger.stones') }}</h3>
    <div v-for="stone in told" :key="stone.id" class="row">
      <b>{{ stone.name }}</b>
      <MeasureField
        v-model="of(stone.id).price"
        :label="$t('shell.pair', { name: stone.name, value: $t('ledger.price') })"
      />
      <MeasureField
        v-model="of(stone.id).newMm"
        :label="$t('shell.pair', { name: stone.name, value: $t('ledger.newMm') })"
        unit="mm"
      />
    </div>
    <div class="dialog-actions">
      <AppButton kind="main" type="submit">{{ $t('shell.save') }}</AppButton>
    </div>
  </AppForm>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 12px 18px;
  align-items: end;
}
</style>
