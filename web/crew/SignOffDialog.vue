<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SignedOn, SignOff } from '../../contract/signOff'
import { SKILL_LEVELS, type SkillLevel } from '../../core/house/skills'
import { capital } from '../../words/format'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import LevelMark from './LevelMark.vue'

/** One person at one skill: what is said, what it stood on, what stands now, and the word of whoever signs. */
const props = defineProps<{ one: SignOff; name: string; refusal: string }>()
const emit = defineEmits<{ level: [level: SkillLevel | null] }>()
const visible = defineModel<boolean>('visible', { required: true })
const fleet = useFleet()
const formats = useFormats()
type Choice = SkillLevel | 'none'
const chosen = ref<Choice | undefined>(props.one.level ?? 'none')
const choices = (['none', ...SKILL_LEVELS] as const).map((value) => ({ value, label: say(`crew.level.${value}`) }))
const counts = ({ supervised, tested, held, drills, lessons }: SignedOn): string =>
  say('crew.evidence.counts', { supervised, tested, held, drills, lessons })
const rows = computed(() => {
  const { supervised, tested, held, drills, steadyDrills, lessons } = props.one.now
  return [
    ['supervised', supervised],
    ['tested', tested],
    ['held', held],
    ['drills', drills],
    ['steady', steadyDrills],
    ['lessons', lessons],
  ] as const
})
const toSay = computed(() => (chosen.value === undefined || chosen.value === 'none' ? null : chosen.value))
const showsMissing = computed(() => props.one.now.missing.length > 0 && props.one.skill !== 'hone')
</script>

<template>
  <AppDialog v-model:visible="visible" :title="$t('crew.signOff', { name, skill: $t(`skill.${one.skill}`) })">
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p class="level">
      <LevelMark :level="one.level" />
      <b>{{ $t(`crew.levelIs.${one.level ?? 'none'}`) }}</b>
    </p>
    <p v-if="one.signedAt && one.level" class="soft">
      {{
        $t('crew.saidBy', {
          level: capital($t(`crew.level.${one.level}`)),
          name: fleet.people.get(one.signedBy ?? '')?.name ?? '–',
          day: formats.shortDay(one.signedAt),
        })
      }}
      <template v-if="one.signedOn">{{ $t('crew.saidOn', { evidence: counts(one.signedOn) }) }}</template>
    </p>
    <h3>{{ $t('crew.standsOn') }}</h3>
    <dl>
      <template v-for="[key, value] in rows" :key="key">
        <dt>{{ capital($t(`crew.evidence.${key}`)) }}</dt>
        <dd class="num">{{ value }}</dd>
      </template>
    </dl>
    <p v-if="showsMissing" class="soft small">{{ $t('crew.stillMissing') }}</p>
    <SegmentedChoice v-model="chosen" :label="$t('crew.skills')" :options="choices" />
    <p>
      <AppButton kind="quiet" :to="{ name: 'person-practice', params: { person: one.personId } }">{{
        $t('crew.ownPractice', { name })
      }}</AppButton>
    </p>
    <div class="dialog-actions">
      <AppButton kind="quiet" @click="visible = false">{{ $t('shell.cancel') }}</AppButton>
      <AppButton kind="main" :disabled="toSay === one.level" @click="emit('level', toSay)">{{
        $t('shell.save')
      }}</AppButton>
    </div>
  </AppDialog>
</template>

<style scoped>
.level {
  display: flex;
  gap: 10px;
  align-items: center;
}
dl {
  display: grid;
  grid-template-columns: auto auto;
  gap: 4px 24px;
  max-width: 420px;
  margin: 8px 0;
}
dd {
  text-align: right;
  font-weight: 700;
  margin: 0;
}
</style>
