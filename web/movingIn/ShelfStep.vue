<script setup lang="ts">
import pLimit from 'p-limit'
import { v7 as newId } from 'uuid'
import { computed, shallowRef } from 'vue'
import type { GearView } from '../../contract/bench'
import { endpoints } from '../../contract/endpoints'
import { call } from '../api'
import StoneDrawing from '../house/StoneDrawing.vue'
import { useChange } from '../house/useChange'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import { USUAL_GEAR, usualGearName, type UsualGear } from './usualGear'

/** What lies on the shelf, tapped from what shelves usually hold; a second tap takes it away again. */
const emit = defineEmits<{ settled: [] }>()
const { refusal, change } = useChange()
const gear = shallowRef<readonly GearView[]>([])
const load = async (): Promise<void> => {
  gear.value = await call(endpoints.gear)
}
void change(load)

const same = (one: GearView, usual: UsualGear): boolean =>
  one.kind === usual.kind && one.scale === usual.scale && one.grit === usual.grit
const groups = computed(() =>
  (['water', 'other', 'rods'] as const).map((group) => ({
    group,
    all: USUAL_GEAR.filter((usual) => usual.group === group).map((usual) => {
      const held = gear.value.filter((one) => same(one, usual))
      return { usual, held: held.filter(({ active }) => active) }
    }),
  })),
)
const others = computed(() => gear.value.filter((one) => one.active && !USUAL_GEAR.some((usual) => same(one, usual))))

type Offer = (typeof groups.value)[number]['all'][number]
/** Fingers are quicker than a server: each tap waits for the one before, and none is lost. */
const oneByOne = pLimit(1)
const tap = ({ usual }: Offer): Promise<void> => oneByOne(() => turn(usual))
async function turn(usual: UsualGear): Promise<void> {
  await change(async () => {
    const like = gear.value.filter((one) => same(one, usual))
    const first = like.find(({ active }) => active)
    const known = first ?? like.find(({ active }) => !active)
    if (known) await call(endpoints.editGear, { params: { id: known.id }, body: { active: !first } })
    else
      await call(endpoints.addGear, {
        body: { id: newId(), name: usualGearName(usual), kind: usual.kind, scale: usual.scale, grit: usual.grit },
      })
    await load()
  })
}
</script>

<template>
  <section class="form-section">
    <p class="soft">{{ $t('movingIn.shelfHint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <section v-for="{ group, all } in groups" :key="group">
      <h2>{{ $t(`movingIn.shelf.${group}`) }}</h2>
      <ul>
        <li v-for="offer in all" :key="usualGearName(offer.usual)">
          <AppButton kind="bare" class="tile" :aria-pressed="offer.held.length > 0" @click="tap(offer)">
            <span class="stand"><StoneDrawing :gear="offer.usual.drawn" label="" aria-hidden="true" /></span>
            <span class="name">
              <span v-if="offer.held.length > 0" class="pi pi-check" aria-hidden="true" />
              {{ usualGearName(offer.usual) }}
            </span>
          </AppButton>
        </li>
      </ul>
    </section>
    <p v-if="others.length > 0">
      {{ $t('movingIn.shelfOthers', { names: others.map(({ name }) => name).join(', ') }) }}
    </p>
    <p class="save-bar">
      <AppButton kind="main" @click="emit('settled')">{{ $t('movingIn.shelfRight') }}</AppButton>
      <RouterLink class="own" to="/house?part=gear">{{ say('movingIn.shelfOwn') }}</RouterLink>
    </p>
  </section>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(146px, 1fr));
  row-gap: 14px;
  margin-top: 8px;
}
ul :deep(.tile) {
  display: grid;
  grid-template-rows: auto 1fr;
  width: 100%;
  height: 100%;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
/* a shelf of wood; what is not on it is seen through */
.stand {
  display: grid;
  align-items: end;
  height: 46px;
  overflow: hidden;
  padding-right: 16px;
  border-bottom: 5px solid var(--wood);
}
.stand > :deep(svg) {
  height: auto;
  opacity: 0.4;
}
[aria-pressed='true'] .stand > :deep(svg) {
  opacity: 1;
}
.name {
  padding: 6px 14px 6px 0;
  min-height: 44px;
}
[aria-pressed='true'] .name {
  font-weight: 700;
}
.own {
  margin-left: 18px;
}
</style>
