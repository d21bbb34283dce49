<script setup lang="ts">
import { ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { SignInPage, SignedIn } from '../../contract/house'
import { call } from '../api'
import { refusalText } from '../refusalText'
import AppButton from '../ui/AppButton.vue'
import NumberPad from '../ui/NumberPad.vue'
import { useKeys } from '../ui/useKeys'

type Tablet = NonNullable<SignInPage['device']>
defineProps<{ device: Tablet }>()
const emit = defineEmits<{ entered: [who: SignedIn]; other: [] }>()
const chosen = ref<Tablet['people'][number] | null>(null)
const pin = ref('')
const refusal = ref('')
const LONGEST_PIN = 8
const SHORTEST_PIN = 4

function choose(person: Tablet['people'][number]): void {
  chosen.value = person
  pin.value = ''
  refusal.value = ''
}
function press(digit: string): void {
  if (chosen.value && pin.value.length < LONGEST_PIN) pin.value += digit
}
function erase(): void {
  pin.value = pin.value.slice(0, -1)
}
async function enter(): Promise<void> {
  if (!chosen.value || pin.value.length < SHORTEST_PIN) return
  try {
    emit('entered', await call(endpoints.signInByPin, { body: { personId: chosen.value.id, pin: pin.value } }))
  } catch (error) {
    refusal.value = refusalText(error)
    pin.value = ''
  }
}
useKeys({
  ...Object.fromEntries(
    '0123456789'.split('').map((digit) => [
      digit,
      () => {
        press(digit)
      },
    ]),
  ),
  Backspace: erase,
  Enter: () => {
    void enter()
  },
  Escape: () => {
    chosen.value = null
  },
})
</script>

<template>
  <div>
    <h1>{{ chosen ? chosen.name : $t('door.whoIsIt') }}</h1>
    <p class="soft">{{ device.houseName }} · {{ device.name }}</p>
    <ul v-if="!chosen" class="people">
      <li v-for="person in device.people" :key="person.id">
        <AppButton big @click="choose(person)">{{ person.name }}</AppButton>
      </li>
    </ul>
    <template v-else>
      <p class="dots" role="status" :aria-label="$t('door.pinTyped', { count: pin.length })">
        {{ '●'.repeat(pin.length) || '–' }}
      </p>
      <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
      <NumberPad @digit="press" @erase="erase" @enter="enter" />
      <AppButton kind="quiet" @click="chosen = null">{{ $t('door.someoneElse') }}</AppButton>
    </template>
    <p>
      <AppButton kind="quiet" @click="emit('other')">{{ $t('door.byPassword') }}</AppButton>
    </p>
  </div>
</template>

<style scoped>
.people {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 10px;
  margin: 18px 0;
}
.people .button {
  width: 100%;
}
.dots {
  font-size: 2rem;
  letter-spacing: 0.3em;
  margin: 10px 0;
}
</style>
