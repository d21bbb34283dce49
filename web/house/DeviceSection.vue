<script setup lang="ts">
import { useConfirm } from 'primevue/useconfirm'
import { onMounted, ref } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { Device } from '../../contract/house'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import AskFirst from '../ui/AskFirst.vue'
import TextField from '../ui/TextField.vue'
import { useChange } from './useChange'

const formats = useFormats()
const confirm = useConfirm()
const { refusal, change } = useChange()
const devices = ref<readonly Device[]>([])
const tabletName = ref('')
const instrumentName = ref('')
const key = ref('')

const load = (): Promise<boolean> =>
  change(async () => {
    devices.value = await call(endpoints.devices)
  })
onMounted(load)

async function enrol(body: BodyOf<typeof endpoints.enrol>): Promise<void> {
  const made = await call(endpoints.enrol, { body })
  key.value = made.key ?? ''
  tabletName.value = ''
  instrumentName.value = ''
  await load()
}
function revoke(device: Device): void {
  confirm.require({
    header: say('house.revoke'),
    message: say('house.revokeAsk', { name: device.name }),
    acceptLabel: say('house.revoke'),
    rejectLabel: say('house.revokeKeep'),
    accept: () => {
      void change(() => call(endpoints.revoke, { params: { id: device.id } })).then(load)
    },
  })
}
</script>

<template>
  <section>
    <p class="soft">{{ $t('house.devicesHint') }}</p>
    <table v-if="devices.length > 0" class="plain">
      <thead>
        <tr>
          <th>{{ $t('field.name') }}</th>
          <th>{{ $t('field.kind') }}</th>
          <th>{{ $t('house.since') }}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="device in devices" :key="device.id" :class="{ soft: device.revokedAt }">
          <td>
            <b>{{ device.name }}</b>
          </td>
          <td>{{ $t(`house.device.${device.kind}`) }}</td>
          <td>{{ formats.moment(device.enrolledAt) }}</td>
          <td>
            <AppButton v-if="!device.revokedAt" @click="revoke(device)">
              {{ $t('house.revoke') }}
            </AppButton>
            <span v-else>{{ $t('house.revoked') }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="lead">{{ $t('house.noDevices') }}</p>
    <div class="forms">
      <AppForm
        class="heavy-rule"
        :schema="endpoints.enrol.body"
        :draft="() => ({ kind: 'tablet', name: tabletName })"
        :send="enrol"
      >
        <h2>{{ $t('house.enrolTablet') }}</h2>
        <TextField
          v-model="tabletName"
          name="name"
          :label="$t('field.name')"
          :placeholder="$t('house.tabletExample')"
        />
        <AppButton kind="main" type="submit">
          {{ $t('house.enrolThis') }}
        </AppButton>
      </AppForm>
      <AppForm
        class="heavy-rule"
        :schema="endpoints.enrol.body"
        :draft="() => ({ kind: 'instrument', name: instrumentName })"
        :send="enrol"
      >
        <h2>{{ $t('house.addInstrument') }}</h2>
        <TextField
          v-model="instrumentName"
          name="name"
          :label="$t('field.name')"
          :placeholder="$t('house.instrumentExample')"
        />
        <AppButton kind="main" type="submit">
          {{ $t('house.makeKey') }}
        </AppButton>
        <p v-if="key">
          {{ $t('house.keyOnce') }} <code>{{ key }}</code>
        </p>
      </AppForm>
    </div>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <AskFirst />
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 18px;
}
.forms {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 28px;
}
form {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.field {
  width: 100%;
}
code {
  font-family: var(--mono);
  overflow-wrap: anywhere;
}
</style>
