<script setup lang="ts">
import { computed, ref } from 'vue'
import { faceAngle } from '../../core/geometry/stack'
import { PRACTICE_BLADE } from '../../core/hands/repeated'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import { usePhoneAngle } from './usePhoneAngle'

/** Everybody has a phone: laid against the face of a blade it sets the angle at the bench and in the drills. */
const fleet = useFleet()
const formats = useFormats()
const session = useSession()
const chosen = ref('')
const blades = computed(() => [
  { value: '', label: say('practice.blade') },
  ...fleet.knives
    .filter(({ status }) => status === 'in-service')
    .map(({ id, code, type }) => ({ value: id, label: `${code} ${say(`type.${type}`)}` })),
])
const blade = computed(() => fleet.knives.find(({ id }) => id === chosen.value) ?? PRACTICE_BLADE)
const { state, angle, online, ask, zero } = usePhoneAngle(
  `phone-${session.person?.name.replaceAll(/\s+/g, '-') ?? ''}`,
  () => faceAngle(blade.value),
)
const tenth = (dps: number): string => formats.value.angle(Math.round(10 * dps) / 10)
</script>

<template>
  <div>
    <header class="task-head">
      <b>{{ $t('phone.title') }}</b>
      <span class="end"
        ><AppButton to="/practice">{{ $t('practice.drill.hold') }}</AppButton></span
      >
    </header>
    <div class="page gauge">
      <h1 class="unseen">{{ $t('phone.title') }}</h1>
      <p class="lead">{{ $t('phone.how') }}</p>
      <p class="soft">{{ $t('phone.rod') }} {{ $t('phone.case') }}</p>
      <ChoiceField v-model="chosen" :label="$t('phone.blade')" :options="blades" searchable />
      <template v-if="state === 'heard'">
        <p class="reading num" role="status">
          {{ angle ? tenth(angle.dps) : '–' }}
          <span v-if="angle" class="sure">{{ $t('phone.sure', { angle: tenth(angle.sureDps) }) }}</span>
        </p>
        <p class="keys">
          <AppButton kind="main" big @click="zero">{{ $t('phone.zero') }}</AppButton>
        </p>
        <p class="soft">{{ $t(!angle ? 'phone.zeroFirst' : online ? 'phone.sent' : 'phone.away') }}</p>
      </template>
      <template v-else>
        <p v-if="state !== 'ask'" class="refusal" role="alert">{{ $t(`phone.${state}`) }}</p>
        <AppButton kind="main" big @click="ask">{{ $t('phone.ask') }}</AppButton>
      </template>
    </div>
  </div>
</template>

<style scoped>
.gauge {
  display: grid;
  gap: 14px;
  max-width: 620px;
  justify-items: start;
}
.reading {
  font-size: 5rem;
  font-weight: 700;
  line-height: 1;
}
.sure {
  font-size: 1.6rem;
  font-weight: 400;
}
</style>
