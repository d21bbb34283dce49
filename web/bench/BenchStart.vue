<script setup lang="ts">
import { computed } from 'vue'
import type { BenchOffer } from '../../contract/bench'
import type { KnifeView } from '../../contract/knives'
import { noteWords, startWords, recipeName } from '../../words/bench'
import { capital } from '../../words/format'
import { verdictWords } from '../../words/verdict'
import { PACES, type Pace } from '../../core/session/ways'
import { say, useFormats } from '../i18n'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import { useKeys } from '../ui/useKeys'
import ApexDrawing from './ApexDrawing.vue'
import BenchHead from './BenchHead.vue'
import CarriedOver from './CarriedOver.vue'
import CoinTruth from './CoinTruth.vue'
import SoakList from './SoakList.vue'
import { useCarryOvers } from './useCarryOvers'

const props = defineProps<{ offer: BenchOffer; knife: KnifeView; busy: boolean }>()
const emit = defineEmits<{
  choose: [change: { recipeId?: string; startWith?: string; choices?: Record<string, string> }]
  begin: []
  beginSaved: []
  resume: []
  leave: []
}>()
const pace = defineModel<Pace>('pace', { required: true })
const besideId = defineModel<string | null>('besideId', { required: true })
const formats = useFormats()
const session = useSession()
const { left: carriedOver, busy: ticking, tickOff } = useCarryOvers(() => props.knife.id)
const words = computed(() => verdictWords(props.knife, say, formats.value))
const plan = computed(() => props.offer.plan)
const recipes = computed(() =>
  [...props.offer.recipes]
    .sort((a, b) => Number(b.fits) - Number(a.fits))
    .map(({ id, name }) => ({ value: id, label: capital(recipeName(id, name, say)) })),
)
const starts = computed(() =>
  props.offer.starts.map((start) => ({ value: start.stoneId, label: startWords(start, say, formats.value) })),
)
const startWith = computed(() => plan.value.stages[0]?.stoneId ?? '')
const choices = computed(() => props.offer.recipes.find(({ id }) => id === plan.value.recipeId)?.choices ?? [])
const cautions = computed(() => [...new Set(plan.value.steps.flatMap((step) => step.cautions))])
const optionsOf = ({ options }: (typeof choices.value)[number]): { value: string; label: string }[] =>
  options.map((value) => ({ value, label: say(`bench.option.${value}`) }))
const paces = PACES.map((value) => ({ value, label: say(`bench.paces.${value}`) }))
const pick = (id: string, option: string): void => {
  emit('choose', { choices: { ...plan.value.choices, [id]: option } })
}
/** Somebody who is not signed off begins with somebody beside, never alone. */
const mayBegin = computed(() => props.offer.start.may || besideId.value !== null)
const beside = computed(() => props.offer.start.beside.map(({ id, name }) => ({ value: id, label: name })))
const isMachine = computed(() => props.offer.start.skill === 'machine')
function goOn(): void {
  if (props.busy || (!props.offer.open && !mayBegin.value)) return
  if (props.offer.open) emit('resume')
  else emit('begin')
}
useKeys({
  Enter: goOn,
  Escape: () => {
    emit('leave')
  },
})
</script>

<template>
  <BenchHead
    :knife="knife"
    :recipe="plan"
    :who="session.person?.name ?? ''"
    :right="
      $t('bench.aboutSetUp', { minutes: formats.minutes(plan.minutes), setUp: formats.minutes(plan.setUpMinutes) })
    "
  />
  <div class="body">
    <div class="work">
      <EdgeStrip :knife="knife" large />
      <p class="verdict">{{ words.why }}</p>
      <p v-if="offer.open" class="open">
        {{ $t('bench.open', { name: offer.open.personName, time: formats.clock(offer.open.startedAt) }) }}
        <AppButton kind="main" :disabled="busy" @click="emit('resume')">
          {{ $t(offer.open.personName === session.person?.name ? 'bench.resume' : 'bench.takeOver') }}
        </AppButton>
      </p>
      <p v-if="offer.saved && !offer.open" class="open">
        {{
          $t(offer.saved.waits ? 'workshop.restWaits' : 'workshop.isSaved', {
            kind: $t(`workshop.kind.${offer.saved.operation.kind}`),
          })
        }}
        <AppButton kind="main" :disabled="busy" @click="emit('beginSaved')">
          {{ $t('workshop.startSaved') }}
        </AppButton>
      </p>
      <div class="fields">
        <ChoiceField
          :model-value="plan.recipeId"
          :label="$t('bench.recipeLabel')"
          :options="recipes"
          @update:model-value="emit('choose', { recipeId: String($event) })"
        />
        <ChoiceField
          v-if="starts.length > 0"
          :model-value="startWith"
          :label="$t('bench.starts')"
          :options="starts"
          @update:model-value="emit('choose', { startWith: String($event) })"
        />
      </div>
      <div class="ahead">
        <div>
          <h2>{{ $t('bench.stages') }}</h2>
          <p v-if="plan.stages.length === 0" class="soft">{{ $t('bench.noStones') }}</p>
          <ol>
            <li v-for="stage in plan.stages" :key="stage.stoneId">
              {{
                $t('bench.stage', {
                  stone: stage.stoneName,
                  minutes: formats.minutes(Math.max(1, Math.round(stage.minutes))),
                  strokes: stage.strokesPerSide,
                  newtons: stage.newtons,
                })
              }}
            </li>
          </ol>
        </div>
        <ApexDrawing v-if="plan.stages.length > 0" :knife="knife" />
      </div>
      <p v-for="tool in offer.missing" :key="tool" class="note">
        {{ $t('bench.missing', { tool: $t(`bench.tool.${tool}`) }) }}
      </p>
      <p v-for="note in plan.notes" :key="note.code" class="note">{{ noteWords(note, say, formats) }}</p>
      <p v-for="warning in offer.warnings" :key="warning" class="note">{{ $t(`gear.warning.${warning}`) }}</p>
    </div>
    <aside>
      <CarriedOver :left="carriedOver" :busy="ticking" @done="tickOff" />
      <section class="heavy-rule">
        <h2>{{ $t('bench.paceLabel') }}</h2>
        <SegmentedChoice v-model="pace" big :label="$t('bench.paceLabel')" :options="paces" />
      </section>
      <section v-if="offer.start.keptFor !== null" class="heavy-rule">
        <p class="note">{{ $t('bench.alone.keptFor', { name: offer.start.keptFor }) }}</p>
      </section>
      <section v-else-if="!offer.start.may" class="heavy-rule">
        <p class="note">
          {{
            $t(isMachine ? 'bench.alone.machine' : 'bench.alone.notSignedOff', {
              skill: $t(`skill.${offer.start.skill}`),
            })
          }}
        </p>
        <ChoiceField
          v-if="beside.length > 0 && !isMachine"
          v-model="besideId"
          :label="$t('bench.alone.beside')"
          :options="beside"
        />
        <p v-else-if="!isMachine">{{ $t('bench.alone.nobody') }}</p>
      </section>
      <SoakList :soak="offer.soak" :flatten="offer.flatten" />
      <CoinTruth :coins="offer.coins" />
      <section v-if="choices.length > 0" class="heavy-rule">
        <h2>{{ $t('bench.choices') }}</h2>
        <div v-for="choice in choices" :key="choice.id" class="choice">
          <span class="soft" aria-hidden="true">{{ $t(`bench.choice.${choice.id}`) }}</span>
          <SegmentedChoice
            :model-value="plan.choices[choice.id] ?? choice.chosen"
            :label="$t(`bench.choice.${choice.id}`)"
            :options="optionsOf(choice)"
            @update:model-value="(option) => option && pick(choice.id, option)"
          />
        </div>
      </section>
      <section class="heavy-rule">
        <h2>{{ $t('bench.cautions') }}</h2>
        <ul>
          <li v-for="caution in cautions" :key="caution">{{ $t(`bench.caution.${caution}`) }}</li>
        </ul>
      </section>
    </aside>
  </div>
  <footer>
    <AppButton big @click="emit('leave')">{{ $t('bench.leave') }} <kbd>Esc</kbd></AppButton>
    <AppButton kind="main" big v-if="!offer.open" :disabled="busy || !mayBegin" @click="emit('begin')">
      {{ $t('bench.start') }} <kbd>Enter</kbd>
    </AppButton>
  </footer>
</template>

<style scoped>
.ahead {
  display: flex;
  flex-wrap: wrap;
  gap: 18px 40px;
}
.ahead h2 {
  margin-bottom: 8px;
}
.body {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(300px, 1fr);
  gap: 28px;
  padding: 18px 26px;
}
.work {
  display: grid;
  gap: 12px;
  align-content: start;
}
.verdict {
  font-size: 1.2rem;
}
.open {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  padding-left: 12px;
  border-left: 4px solid var(--ember);
}
.fields {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.6fr);
  gap: 14px;
}
ol {
  display: grid;
  gap: 6px;
  font-size: 1.1rem;
}
.note {
  font-weight: 600;
  padding-left: 12px;
  border-left: 4px solid var(--ember);
}
aside {
  display: grid;
  gap: 18px;
  align-content: start;
}
aside li,
aside p {
  padding: 4px 0;
  line-height: 1.35;
}
.choice {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 4px;
  border-bottom: 1px solid var(--rule);
  padding-block: 5px;
}
.choice span {
  width: 96px;
}
footer {
  position: sticky;
  bottom: 0;
  display: grid;
  grid-template-columns: 1fr 2fr;
  gap: 12px;
  padding: 12px 26px 20px;
  background: var(--ground);
}
@media (max-width: 900px) {
  .body,
  .fields {
    grid-template-columns: minmax(0, 1fr);
  }
  .body,
  footer {
    padding-inline: 14px;
  }
}
</style>
