import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { SignedIn } from '../../contract/house'
import type { Right } from '../../core/house/rights'
import { call } from '../api'
import { speak } from '../spoken'

/** Who is signed in, and what the server says the time is. */
export const useSession = defineStore('session', () => {
  const signedIn = ref<SignedIn | null>(null)
  /** server time minus this device's time, ms */
  const clockOffsetMs = ref(0)

  const house = computed(() => signedIn.value?.house ?? null)
  const person = computed(() => signedIn.value?.person ?? null)

  function enter(who: SignedIn): void {
    signedIn.value = who
    void speak(who.language)
    clockOffsetMs.value = new Date(who.now).getTime() - Date.now()
  }
  return {
    signedIn,
    house,
    person,
    clockOffsetMs,
    enter,
    /** the moment by the server's clock */
    now: (): Date => new Date(Date.now() + clockOffsetMs.value),
    may: (right: Right): boolean => signedIn.value?.rights.includes(right) ?? false,
    leave: (): void => {
      signedIn.value = null
    },
    resume: async (): Promise<void> => {
      const who = await call(endpoints.session)
      // the page begins in the right language, not in another for a moment
      await speak(who.language)
      enter(who)
    },
    signOut: async (): Promise<void> => {
      // nobody is signed in from here on, whatever is still on its way
      signedIn.value = null
      await call(endpoints.signOut)
    },
  }
})
