<script setup lang="ts">
import type { GearView } from '../../contract/bench'
import { isStone, needsFlattening } from '../../core/abrasive/gear'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import StoneDrawing from './StoneDrawing.vue'

/** A plank with gear on it, each piece drawn from the side with what the bench has to know of it. */
defineProps<{ title: string; gear: readonly GearView[]; nameOf: (id: string) => string }>()
const emit = defineEmits<{ change: [gear: GearView]; flattened: [gear: GearView]; retire: [gear: GearView] }>()
const formats = useFormats()

function grain({ grit, scale, micron }: GearView): string {
  if (grit === null || scale === null) return ''
  const own = scale === 'micron' ? '' : `${say(`gear.scaleName.${scale}`)}${grit}, `
  return own + say('gear.micron', { micron: micron === null ? '' : formats.value.amount(micron) })
}
function wetness(one: GearView): string {
  if (one.soakMinutes > 0)
    return say('gear.soaks', {
      minutes: formats.value.minutes(one.soakMinutes),
      bath: say(`gear.bathName.${one.bath}`),
    })
  return one.kind === 'splash-stone' ? say('gear.wetted') : ''
}
function flatness(one: GearView): string {
  if (one.flatten.because === 'dish') return say('gear.dueDish', { dish: formats.value.thickness(one.dishMm ?? 0) })
  if (one.flatten.because === 'knives') return say('gear.due')
  return needsFlattening(one.kind) ? say('gear.knives', { n: one.knivesSince }) : say('gear.never')
}
const thickness = (one: GearView): string =>
  one.thicknessMm === null ? say('gear.thickUnknown') : say('gear.thick', { mm: formats.value.length(one.thicknessMm) })
</script>

<template>
  <section>
    <h2>{{ title }}</h2>
    <ul>
      <li v-for="one in gear" :key="one.id" :class="{ soft: !one.active }" :data-gear="one.name">
        <div class="stand">
          <StoneDrawing :gear="one" :label="$t('gear.drawing', { name: one.name, grain: grain(one) })" />
        </div>
        <div class="told">
          <b>{{ one.name }}</b>
          <span class="num grain">{{ grain(one) }}</span>
          <span class="small soft"
            >{{ $t(`gear.kind.${one.kind}`)
            }}<template v-if="one.twoSidedWith"
              >, {{ $t('gear.twoSidedOf', { name: nameOf(one.twoSidedWith) }) }}</template
            ></span
          >
          <template v-if="isStone(one.kind)">
            <span class="small soft">{{ [thickness(one), wetness(one)].filter(Boolean).join(', ') }}</span>
            <span class="small" :class="{ due: one.flatten.due }"
              >{{ flatness(one)
              }}<template v-if="one.flattenedAt && needsFlattening(one.kind)"
                >, {{ $t('gear.lastFlattened', { day: formats.shortDay(one.flattenedAt) }) }}</template
              ></span
            >
          </template>
          <span v-for="warning in one.warnings" :key="warning" class="warning small">{{
            $t(`gear.warning.${warning}`)
          }}</span>
          <span class="keys">
            <AppButton v-if="needsFlattening(one.kind) && one.active" small @click="emit('flattened', one)">
              {{ $t('gear.flattened') }}
            </AppButton>
            <AppButton kind="quiet" :aria-label="$t('house.changeOf', { name: one.name })" @click="emit('change', one)">
              {{ $t('house.change') }}
            </AppButton>
            <AppButton kind="quiet" @click="emit('retire', one)">
              {{ $t(one.active ? 'gear.retire' : 'gear.back') }}
            </AppButton>
          </span>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 15.6rem), 1fr));
  row-gap: 20px;
}
li {
  display: grid;
  grid-template-rows: auto 1fr;
}
.stand {
  display: grid;
  align-items: end;
  min-height: 70px;
  padding: 4px 22px 0 0;
  border-bottom: 5px solid var(--wood);
}
.told {
  display: grid;
  align-content: start;
  gap: 1px;
  padding: 8px 18px 0 0;
}
.grain {
  font-size: 1.05rem;
}
.due {
  font-weight: 700;
}
.warning {
  color: var(--out);
}
.keys {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  padding-top: 4px;
}
.keys .quiet {
  padding-inline: 0;
}
</style>
