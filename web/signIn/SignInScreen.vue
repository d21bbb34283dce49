<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { endpoints } from '../../contract/endpoints'
import type { SignInPage, SignedIn } from '../../contract/house'
import { call } from '../api'
import { deviceLanguage, speak } from '../spoken'
import { refusalText } from '../refusalText'
import { useSession } from '../stores/session'
import CodeSignIn from './CodeSignIn.vue'
import LanguageChoice from './LanguageChoice.vue'
import FirstRun from './FirstRun.vue'
import PasswordSignIn from './PasswordSignIn.vue'
import PinSignIn from './PinSignIn.vue'
import SignInBlade from './SignInBlade.vue'
import AppButton from '../ui/AppButton.vue'

const session = useSession()
const route = useRoute()
const router = useRouter()
const doorway = ref<SignInPage | null>(null)
const refusal = ref('')
const byPassword = ref(false)
const byCode = ref(false)

async function look(): Promise<void> {
  try {
    doorway.value = await call(endpoints.signInPage)
    await speak(deviceLanguage(doorway.value.language))
    refusal.value = ''
  } catch (error) {
    refusal.value = refusalText(error)
  }
}
onMounted(look)

async function enter(who: SignedIn): Promise<void> {
  session.enter(who)
  const back =
    typeof route.query['back'] === 'string' && route.query['back'].startsWith('/') ? route.query['back'] : '/today'
  await router.replace(back)
}
/** A new house says first what it is; it may leave that at any time. */
async function moveIn(who: SignedIn): Promise<void> {
  session.enter(who)
  await router.replace('/moving-in')
}
</script>

<template>
  <div class="door">
    <section class="slab">
      <p class="name">Yorvik</p>
      <p class="promise">{{ $t('door.promise') }}</p>
      <SignInBlade />
      <LanguageChoice />
    </section>
    <section class="entry">
      <p v-if="refusal" class="refusal" role="alert">
        {{ refusal }} <AppButton kind="quiet" @click="look">{{ $t('shell.again') }}</AppButton>
      </p>
      <template v-if="doorway">
        <FirstRun v-if="doorway.needsSetup || route.query['house']" @entered="moveIn" />
        <CodeSignIn v-else-if="byCode" @entered="enter" @back="byCode = false" />
        <PinSignIn
          v-else-if="doorway.device && !byPassword"
          :device="doorway.device"
          @entered="enter"
          @other="byPassword = true"
        />
        <PasswordSignIn
          v-else
          :demo="doorway.demo"
          :back="Boolean(doorway.device)"
          @entered="enter"
          @other="byPassword = false"
          @code="byCode = true"
        />
      </template>
    </section>
  </div>
</template>

<style scoped>
.door {
  display: grid;
  grid-template-columns: minmax(320px, 46%) 1fr;
  min-height: 100vh;
}
.slab {
  background: var(--slate);
  color: var(--on-slate);
  padding: 12vh 48px 40px;
  display: flex;
  flex-direction: column;
  gap: 14px;
  overflow: hidden;
}
.name {
  font-size: 2.6rem;
  font-weight: 700;
}
.promise {
  font-size: 1.25rem;
  max-width: 26em;
  color: var(--on-slate-soft);
}
.entry {
  padding: 12vh clamp(20px, 6vw, 90px) 40px;
  max-width: 640px;
}
@media (max-width: 860px) {
  .door {
    grid-template-columns: 1fr;
    align-content: start;
  }
  .slab {
    padding: 24px 20px 12px;
  }
  .entry {
    padding-top: 28px;
  }
}
</style>
