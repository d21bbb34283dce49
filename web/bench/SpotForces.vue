<script setup lang="ts">
import { ref } from 'vue'
import { ZONES, type Zone } from '../../core/knife/zones'
import { isPlausibleForce } from '../check/checkDraft'
import { useTester } from '../check/useTester'
import { useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import NumberPad from '../ui/NumberPad.vue'
import { useKeys } from '../ui/useKeys'

type Forces = Partial<Record<Zone, number>>
const props = defineProps<{ when: 'before' | 'after'; before: Forces; after: Forces }>()
const emit = defineEmits<{ force: [zone: Zone, forceGf: number] }>()
const formats = useFormats()
const zone = ref<Zone>('heel')
const typed = ref('')
const wrong = ref(false)
const LONGEST = 4

function take(forceGf: number): void {
  wrong.value = !isPlausibleForce(forceGf)
  if (wrong.value) return
  emit('force', zone.value, Math.round(forceGf))
  const now = props.when === 'before' ? props.before : props.after
  zone.value = ZONES.find((one) => one !== zone.value && now[one] === undefined) ?? zone.value
}
function press(digit: string): void {
  if (typed.value.length < LONGEST) typed.value += digit
}
/** Takes what was typed. @returns whether there was anything */
function enter(): boolean {
  if (typed.value === '') return false
  const forceGf = Number(typed.value)
  typed.value = ''
  take(forceGf)
  return true
}
defineExpose({ enter })
useTester(
  () => null,
  (forceGf) => {
    take(forceGf)
  },
)
useKeys(
  Object.fromEntries(
    '0123456789'.split('').map((digit) => [
      digit,
      () => {
        press(digit)
      },
    ]),
  ),
)
const write = (forces: Forces, one: Zone): string => {
  const force = forces[one]
  return force === undefined ? '–' : formats.value.force(force)
}
</script>

<template>
  <div class="spots">
    <div class="read">
      <table class="plain">
        <thead>
          <tr>
            <th />
            <th>{{ $t('bench.before') }}</th>
            <th v-if="when === 'after'">{{ $t('bench.after') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in ZONES" :key="one" :class="{ open: zone === one }">
            <td>
              <AppButton :class="{ main: zone === one }" :aria-pressed="zone === one" @click="zone = one">
                {{ $t(`zone.${one}`) }}
              </AppButton>
            </td>
            <td class="num">{{ write(before, one) }}</td>
            <td v-if="when === 'after'" class="num">
              <b>{{ write(after, one) }}</b>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="typed" aria-live="polite">
        <span class="big num">{{ typed || '···' }}</span>
        <span class="soft">{{ $t('check.gfAt', { zone: $t(`zone.${zone}`) }) }}</span>
      </p>
      <p v-if="wrong" class="wrong" role="alert">{{ $t('check.absurd') }}</p>
    </div>
    <NumberPad :enter-label="$t('check.take')" @digit="press" @erase="typed = typed.slice(0, -1)" @enter="enter" />
    <p class="soft small">{{ $t('bench.forceHint') }} {{ $t('bench.skipTest') }}</p>
  </div>
</template>

<style scoped>
.spots {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px 24px;
  align-items: start;
}
.read {
  display: grid;
  gap: 10px;
}
.spots > .soft {
  grid-column: 1 / -1;
}
@media (max-width: 700px) {
  .spots {
    grid-template-columns: minmax(0, 1fr);
  }
}
.big {
  font-size: 2.6rem;
  font-weight: 700;
  line-height: 1;
}
.wrong {
  color: var(--out);
  font-weight: 600;
}
</style>
