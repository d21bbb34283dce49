<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue'
import { useConfirm } from 'primevue/useconfirm'
import type { OwnChain } from '../../contract/chain'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import AskFirst from '../ui/AskFirst.vue'
import CheckField from '../ui/CheckField.vue'
import TextField from '../ui/TextField.vue'
import { useChange } from './useChange'

/** The chain this house is in: made here, joined by a link, left again; and links for others. */
const formats = useFormats()
const confirm = useConfirm()
const { refusal, change } = useChange()
const own = ref<OwnChain | null>(null)
const form = reactive({ name: '', code: '' })
const link = ref<{ readonly address: string; readonly expiresAt: string } | null>(null)

const load = (): Promise<boolean> =>
  change(async () => {
    own.value = await call(endpoints.ownChain)
  })
onMounted(load)

async function make(body: BodyOf<typeof endpoints.makeChain>): Promise<void> {
  own.value = await call(endpoints.makeChain, { body })
}
async function join(body: BodyOf<typeof endpoints.joinChain>): Promise<void> {
  own.value = await call(endpoints.joinChain, { body })
}
const makeLink = (): Promise<boolean> =>
  change(async () => {
    const { code, expiresAt } = await call(endpoints.makeChainLink)
    link.value = { address: `${location.origin}/sign-in?house=${code}`, expiresAt }
  })
const namesAllowed = computed({
  get: () => own.value?.chain?.namesAllowed ?? false,
  set: (allowed) => {
    void change(async () => {
      own.value = await call(endpoints.allowNames, { body: { allowed } })
    })
  },
})
function leave(): void {
  confirm.require({
    header: say('chain.leave'),
    message: say('chain.leaveAsk', { name: own.value?.chain?.name ?? '' }),
    acceptLabel: say('chain.leave'),
    rejectLabel: say('chain.stay'),
    accept: () => {
      link.value = null
      void change(() => call(endpoints.leaveChain)).then(load)
    },
  })
}
</script>

<template>
  <section v-if="own" class="chain">
    <p class="soft">{{ $t('chain.hint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <template v-if="own.chain">
      <h2>{{ own.chain.name }}</h2>
      <p>{{ $t('chain.size', { n: own.chain.houses }) }}</p>
      <CheckField v-model="namesAllowed" :label="$t('chain.names')" />
      <p class="keys">
        <AppButton v-if="own.chain.isOwner" kind="main" to="/chain">{{ $t('chain.open') }}</AppButton>
        <AppButton v-if="own.chain.isOwner" @click="makeLink">{{ $t('chain.link') }}</AppButton>
        <AppButton kind="quiet" @click="leave">{{ $t('chain.leave') }}</AppButton>
      </p>
      <p v-if="link" role="status">
        {{ $t('chain.linkHint', { time: formats.moment(link.expiresAt) }) }}
        <output class="num address">{{ link.address }}</output>
      </p>
    </template>
    <template v-else>
      <AppForm :schema="endpoints.makeChain.body" :draft="() => ({ name: form.name })" :send="make">
        <h2>{{ $t('chain.makeTitle') }}</h2>
        <TextField v-model="form.name" name="name" :label="$t('field.name')" :placeholder="$t('chain.example')" />
        <AppButton type="submit" :disabled="form.name.trim() === ''">{{ $t('chain.make') }}</AppButton>
      </AppForm>
      <AppForm :schema="endpoints.joinChain.body" :draft="() => ({ code: form.code })" :send="join">
        <h2>{{ $t('chain.joinTitle') }}</h2>
        <TextField v-model="form.code" name="code" :label="$t('chain.code')" autocomplete="off" />
        <AppButton type="submit" :disabled="form.code.trim() === ''">{{ $t('chain.join') }}</AppButton>
      </AppForm>
    </template>
    <AskFirst />
  </section>
</template>

<style scoped>
.chain,
.chain form {
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 620px;
}
.chain form {
  margin-top: 12px;
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.address {
  display: block;
  overflow-wrap: anywhere;
  user-select: all;
}
</style>
