<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, reactive } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { SectionMeasure } from '../../contract/workshop'
import type { SectionBlade } from '../../core/geometry/section'
import { ZONES, type Zone } from '../../core/knife/zones'
import { fitSection } from '../../core/workshop/fit'
import { call } from '../api'
import { useChange } from '../house/useChange'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'

const props = defineProps<{ knifeId: string; blade: SectionBlade; measured: readonly SectionMeasure[] }>()
const emit = defineEmits<{ kept: [] }>()
const session = useSession()
const fleet = useFleet()
const notices = useNotices()
const formats = useFormats()
const { refusal, change } = useChange()
const HEIGHTS = [1, 3, 5, 10] as const
const zone = defineModel<Zone>('zone', { required: true })
const known = computed(() => props.measured.find((one) => one.zone === zone.value))
/** What work has left is reckoned, so it is told and not put in as if somebody had measured it. */
const had = (): SectionMeasure | undefined => (known.value?.worked ? undefined : known.value)
const left = computed(() =>
  known.value?.worked
    ? known.value.thicknessAt
        .map(({ heightMm, thicknessMm }) =>
          say('workshop.leftAt', { mm: heightMm, thickness: formats.value.thickness(thicknessMm) }),
        )
        .join(', ')
    : '',
)
const form = reactive({
  at: Object.fromEntries(
    HEIGHTS.map((mm) => [mm, had()?.thicknessAt.find(({ heightMm }) => heightMm === mm)?.thicknessMm ?? null]),
  ) as Record<number, number | null>,
  heelHeightMm: null as number | null,
  spineMm: null as number | null,
  bteMm: had()?.bteMm ?? null,
  bevelLeftMm: had()?.bevelLeftMm ?? null,
  bevelRightMm: had()?.bevelRightMm ?? null,
  faceDps: had()?.faceDps ?? null,
})
const found = computed((): SectionMeasure => ({
  zone: zone.value,
  thicknessAt: HEIGHTS.flatMap((heightMm) => {
    const thicknessMm = form.at[heightMm] ?? null
    return thicknessMm === null ? [] : [{ heightMm, thicknessMm }]
  }),
  ...(form.bteMm === null ? {} : { bteMm: form.bteMm }),
  ...(form.bevelLeftMm === null ? {} : { bevelLeftMm: form.bevelLeftMm }),
  ...(form.bevelRightMm === null ? {} : { bevelRightMm: form.bevelRightMm }),
  ...(form.faceDps === null ? {} : { faceDps: form.faceDps }),
}))
const fitted = computed(() => fitSection(props.blade, found.value))
const zones = ZONES.map((value) => ({ value, label: say(`zone.${value}`) }))
/** Measured once for the whole knife; the latest thickness behind the edge stands for it too. */
const ofKnife = computed(() =>
  Object.fromEntries(
    (['heelHeightMm', 'spineMm', 'bteMm'] as const).flatMap((name) =>
      form[name] === null ? [] : [[name, form[name]]],
    ),
  ),
)
const hasSpot = computed(
  () =>
    found.value.thicknessAt.length > 0 ||
    (['bteMm', 'bevelLeftMm', 'bevelRightMm', 'faceDps'] as const).some((name) => form[name] !== null),
)
const isEmpty = computed(() => !hasSpot.value && Object.keys(ofKnife.value).length === 0)
async function keep(): Promise<void> {
  const others = props.measured.filter((one) => one.zone !== zone.value)
  const done = await change(async () => {
    const { knives } = await call(endpoints.sendEvents, {
      body: {
        events: [
          {
            id: newId(),
            knifeId: props.knifeId,
            kind: 'measured',
            at: session.now().toISOString(),
            payload: { ...ofKnife.value, ...(hasSpot.value ? { sections: [...others, found.value] } : {}) },
          },
        ],
      },
    })
    fleet.accept(knives)
  })
  if (!done) return
  notices.done(say('workshop.kept'))
  emit('kept')
}
</script>

<template>
  <section class="heavy-rule stacked">
    <h2>{{ $t('workshop.measure') }}</h2>
    <p class="soft small">{{ $t('workshop.measureHint') }}</p>
    <div class="form-grid">
      <ChoiceField v-model="zone" :label="$t('workshop.spot')" :options="zones" />
      <MeasureField v-model="form.bteMm" :label="$t('field.bteMm')" unit="mm" />
      <MeasureField
        v-for="mm in HEIGHTS"
        :key="mm"
        v-model="form.at[mm] as number | null"
        :label="$t('workshop.thickAt', { mm })"
        unit="mm"
      />
      <MeasureField v-model="form.bevelLeftMm" :label="$t('workshop.bevelLeft')" unit="mm" />
      <MeasureField v-model="form.bevelRightMm" :label="$t('workshop.bevelRight')" unit="mm" />
      <MeasureField v-model="form.faceDps" :label="$t('workshop.face')" unit="°" />
      <MeasureField v-model="form.heelHeightMm" :label="$t('field.heelHeightMm')" unit="mm" />
      <MeasureField v-model="form.spineMm" :label="$t('field.spineMm')" unit="mm" />
    </div>
    <p v-if="left" class="soft small">{{ $t('workshop.leftByWork', { list: left }) }}</p>
    <p v-for="one in fitted.contradictions" :key="one.code" class="told" role="status">
      {{ $t(`workshop.contradiction.${one.code}`, { ...one.values }) }}
    </p>
    <p v-if="fitted.assumed.length > 0" class="soft small">
      {{
        $t('workshop.unmeasured', {
          list: fitted.assumed.map((one) => say(`workshop.unmeasuredField.${one}`)).join(', '),
        })
      }}
    </p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p>
      <AppButton :disabled="isEmpty" @click="keep">{{ $t('workshop.keep') }}</AppButton>
    </p>
  </section>
</template>

<style scoped>
section {
  margin-top: 18px;
}
.told {
  border-left: 4px solid var(--ember);
  padding-left: 10px;
}
</style>
