<script setup lang="ts">
import { onMounted, reactive, ref } from 'vue'
import type { OwnHouse } from '../../contract/chain'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import { call } from '../api'
import { say } from '../i18n'
import { useChange } from '../house/useChange'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import TextField from '../ui/TextField.vue'

/** Houses one belongs to: to go on in another, or to add one. */
const notices = useNotices()
const { refusal, change } = useChange()
const houses = ref<readonly OwnHouse[]>([])
const form = reactive({ code: '' })

onMounted(() =>
  change(async () => {
    houses.value = await call(endpoints.ownHouses)
  }),
)
async function add(body: BodyOf<typeof endpoints.addOwnHouse>): Promise<void> {
  houses.value = await call(endpoints.addOwnHouse, { body })
  form.code = ''
  notices.done(say('houses.added'))
}
const go = ({ houseId }: OwnHouse): Promise<boolean> =>
  change(async () => {
    await call(endpoints.goToHouse, { body: { houseId } })
    // a page that starts anew has nothing of the other house in it
    location.assign('/today')
  })
</script>

<template>
  <section class="houses">
    <h3>{{ $t('houses.title') }}</h3>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <ul>
      <li v-for="house in houses" :key="house.houseId">
        <span>
          <b>{{ house.houseName }}</b>
          {{ $t(`person.${house.role}`) }}
        </span>
        <span v-if="house.isThis" class="soft">{{ $t('account.here') }}</span>
        <AppButton v-else :aria-label="$t('houses.goTo', { house: house.houseName })" @click="go(house)">{{
          $t('houses.go')
        }}</AppButton>
      </li>
    </ul>
    <AppForm :schema="endpoints.addOwnHouse.body" :draft="() => ({ ...form })" :send="add">
      <TextField
        v-model="form.code"
        name="code"
        :label="$t('houses.code')"
        :hint="$t('houses.codeHint')"
        autocomplete="off"
      />
      <AppButton type="submit" :disabled="form.code.trim() === ''">{{ $t('houses.add') }}</AppButton>
    </AppForm>
  </section>
</template>

<style scoped>
.houses {
  display: grid;
  gap: 8px;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
