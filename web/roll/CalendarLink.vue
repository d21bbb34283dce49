<script setup lang="ts">
import { useConfirm } from 'primevue/useconfirm'
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { call } from '../api'
import { say } from '../i18n'
import { refusalText } from '../refusalText'
import AppButton from '../ui/AppButton.vue'
import AskFirst from '../ui/AskFirst.vue'

const props = defineProps<{ personId: string }>()
const confirm = useConfirm()
const standing = ref(0)
const path = ref('')
const refusal = ref('')
const params = computed(() => ({ id: props.personId }))
const address = computed(() => (path.value ? new URL(path.value, window.location.origin).href : ''))

async function attempt(work: () => Promise<void>): Promise<void> {
  try {
    await work()
    refusal.value = ''
  } catch (error) {
    refusal.value = refusalText(error)
  }
}
const make = (): Promise<void> =>
  attempt(async () => {
    path.value = (await call(endpoints.makeCalendarLink, { params: params.value })).path
    standing.value = 1
  })
function revoke(): void {
  confirm.require({
    header: say('myday.revoke'),
    message: say('myday.revokeAsk'),
    acceptLabel: say('myday.revoke'),
    rejectLabel: say('myday.revokeKeep'),
    accept: () => {
      void attempt(async () => {
        standing.value = (await call(endpoints.revokeCalendarLink, { params: params.value })).standing
        path.value = ''
      })
    },
  })
}
void attempt(async () => {
  standing.value = (await call(endpoints.calendarLink, { params: params.value })).standing
})
</script>

<template>
  <section class="heavy-rule stacked">
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p class="ways">
      <a class="button" :href="`/api/people/${personId}/calendar.ics`" download>{{ $t('myday.ics') }}</a>
      <AppButton @click="make">{{ $t('myday.link') }}</AppButton>
      <AppButton kind="quiet" v-if="standing > 0" @click="revoke">{{ $t('myday.revoke') }}</AppButton>
    </p>
    <p v-if="address" class="address">
      <code>{{ address }}</code>
    </p>
    <p v-else-if="standing > 0" class="soft">{{ $t('myday.standing') }}</p>
    <p class="soft small">{{ $t('myday.linkHint') }}</p>
    <AskFirst />
  </section>
</template>

<style scoped>
section {
  max-width: 720px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.address {
  overflow-wrap: anywhere;
  font-family: var(--mono);
}
</style>
