<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, reactive, ref, shallowRef } from 'vue'
import type { GearView } from '../../contract/bench'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { Crew } from '../../contract/week'
import { GEAR_KINDS, isStone, type GearKind } from '../../core/abrasive/gear'
import { capital } from '../../words/format'
import { call } from '../api'
import { byName, say } from '../i18n'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import AppForm from '../ui/AppForm.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'
import GearShelf from './GearShelf.vue'
import PieceList from './PieceList.vue'
import { useChange } from './useChange'

type Patch = Pick<BodyOf<typeof endpoints.editGear>, 'flattenedAt' | 'knivesSince' | 'dishMm' | 'active'>
type Scale = NonNullable<GearView['scale']>
const notices = useNotices()
const { refusal, change, changeWithUndo } = useChange()
const gear = shallowRef<readonly GearView[]>([])
const loaded = ref(false)
const open = ref(false)
const isNew = ref(true)
const form = reactive({
  id: '',
  name: '',
  kind: 'soaking-stone' as GearKind,
  scale: 'JIS' as Scale | 'none',
  grit: null as number | null,
  soakMinutes: null as number | null,
  thicknessMm: null as number | null,
  dishMm: null as number | null,
  compound: '',
  twoSidedWith: null as string | null,
  benchId: null as string | null,
})
const kinds = computed(() => GEAR_KINDS.map((value) => ({ value, label: capital(say(`gear.kind.${value}`)) })))
const scales = computed(() => [
  ...(['JIS', 'FEPA-F', 'FEPA-P', 'micron'] as const).map((value) => ({
    value,
    label: say(`gear.scaleName.${value}`),
  })),
  { value: 'none' as const, label: say('gear.noScale') },
])

const partners = computed(() => [
  { value: null, label: say('gear.alone') },
  ...gear.value
    .filter(({ id, kind }) => id !== form.id && isStone(kind))
    .map(({ id, name }) => ({ value: id, label: name })),
])
const benches = shallowRef<Crew['benches']>([])
const places = computed(() => [
  { value: null, label: say('gear.anyBench') },
  ...benches.value
    .filter(({ active }) => active)
    .sort(byName)
    .map(({ id, name }) => ({ value: id, label: name })),
])
const nameOf = (id: string): string => gear.value.find((one) => one.id === id)?.name ?? ''

async function load(): Promise<void> {
  await change(async () => {
    gear.value = await call(endpoints.gear)
  })
  await change(async () => {
    benches.value = (await call(endpoints.crew)).benches
  })
  loaded.value = true
}
void load()

function start(one: GearView | null): void {
  isNew.value = one === null
  Object.assign(
    form,
    one
      ? { ...one, scale: one.scale ?? 'none' }
      : {
          id: newId(),
          name: '',
          kind: 'soaking-stone',
          scale: 'JIS',
          grit: null,
          soakMinutes: null,
          thicknessMm: null,
          dishMm: null,
          compound: '',
          twoSidedWith: null,
          benchId: null,
        },
  )
  open.value = true
}
function draft(): object {
  const { id, scale, grit, soakMinutes, ...rest } = form
  const grain = scale === 'none' || grit === null ? { scale: null, grit: null } : { scale, grit }
  return { ...(isNew.value ? { id } : {}), ...rest, ...grain, ...(soakMinutes === null ? {} : { soakMinutes }) }
}
async function save(body: BodyOf<typeof endpoints.addGear> | BodyOf<typeof endpoints.editGear>): Promise<void> {
  const { id } = form
  const before = gear.value.find((one) => one.id === id)
  await ('id' in body ? call(endpoints.addGear, { body }) : call(endpoints.editGear, { params: { id }, body }))
  open.value = false
  await load()
  if (!before) return
  const { name, kind, scale, grit, twoSidedWith, soakMinutes, thicknessMm, dishMm, compound, benchId } = before
  notices.done(say('gear.savedDone', { name: form.name }), async () => {
    await call(endpoints.editGear, {
      params: { id },
      body: { name, kind, scale, grit, twoSidedWith, soakMinutes, thicknessMm, dishMm, compound, benchId },
    })
    await load()
  })
}
async function edit(one: GearView, patch: Patch, before: Patch, done: string): Promise<void> {
  const send = async (body: Patch): Promise<void> => {
    await call(endpoints.editGear, { params: { id: one.id }, body })
    await load()
  }
  await changeWithUndo(
    () => send(patch),
    say(done, { name: one.name }),
    () => send(before),
  )
}
function flattened(one: GearView): void {
  const { flattenedAt, knivesSince, dishMm } = one
  void edit(
    one,
    { flattenedAt: new Date().toISOString(), knivesSince: 0, dishMm: null },
    { flattenedAt, knivesSince, dishMm },
    'gear.flattenedDone',
  )
}
function retire(one: GearView): void {
  const { active } = one
  void edit(one, { active: !active }, { active }, active ? 'gear.retiredDone' : 'gear.backDone')
}
/** Coarse to fine as they are used; what is out of use stands last. */
const standing = computed(() =>
  [...gear.value].sort(
    (a, b) => Number(b.active) - Number(a.active) || (b.micron ?? 0) - (a.micron ?? 0) || byName(a, b),
  ),
)
</script>

<template>
  <section class="form-section">
    <p class="soft">{{ $t('gear.hint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="loaded && gear.length === 0" class="lead">{{ $t('gear.none') }}</p>
    <GearShelf
      v-for="shelf in ['stones', 'rods'] as const"
      :key="shelf"
      :title="$t(`gear.${shelf}`)"
      :gear="standing.filter(({ kind }) => isStone(kind) === (shelf === 'stones'))"
      :name-of="nameOf"
      @change="start"
      @flattened="flattened"
      @retire="retire"
    />
    <p>
      <AppButton kind="main" @click="start(null)">{{ $t('gear.add') }}</AppButton>
    </p>
    <PieceList />
    <AppDialog v-model:visible="open" :title="$t(isNew ? 'gear.add' : 'house.change')" narrow>
      <AppForm :schema="isNew ? endpoints.addGear.body : endpoints.editGear.body" :draft="draft" :send="save">
        <TextField v-model="form.name" name="name" :label="$t('field.name')" />
        <ChoiceField v-model="form.kind" :label="$t('gear.kindLabel')" :options="kinds" />
        <ChoiceField v-model="form.scale" :label="$t('gear.scale')" :options="scales" />
        <MeasureField v-if="form.scale !== 'none'" v-model="form.grit" name="grit" :label="$t('gear.grit')" />
        <ChoiceField
          v-if="isStone(form.kind)"
          v-model="form.twoSidedWith"
          :label="$t('gear.twoSided')"
          :options="partners"
        />
        <ChoiceField v-if="isStone(form.kind)" v-model="form.benchId" :label="$t('gear.bench')" :options="places" />
        <p class="soft small">{{ $t(`gear.liquid.${form.kind}`) }}</p>
        <div v-if="isStone(form.kind)" class="stone">
          <MeasureField v-model="form.soakMinutes" name="soakMinutes" :label="$t('gear.soak')" unit="min" />
          <MeasureField v-model="form.thicknessMm" name="thicknessMm" :label="$t('gear.thickness')" unit="mm" />
          <MeasureField v-model="form.dishMm" name="dishMm" :label="$t('gear.dish')" unit="mm" />
        </div>
        <TextField v-if="form.kind === 'strop'" v-model="form.compound" name="compound" :label="$t('gear.compound')" />
        <template #actions="{ busy }">
          <div class="dialog-actions">
            <AppButton kind="main" type="submit" :disabled="busy">{{ $t('shell.save') }}</AppButton>
          </div>
        </template>
      </AppForm>
    </AppDialog>
  </section>
</template>

<style scoped>
.stone {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px;
}
</style>
