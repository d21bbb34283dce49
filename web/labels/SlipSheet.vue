<script setup lang="ts">
import { computed } from 'vue'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useSession } from '../stores/session'
import EdgeStrip from '../ui/EdgeStrip.vue'
import PrintButton from '../ui/PrintButton.vue'
import { labelText } from './labelText'
import { qrPath } from './qrPath'

/** What goes with a knife that is sent out: what it is, what is wanted of it, and where it belongs. */
const props = defineProps<{ code: string }>()
const fleet = useFleet()
const session = useSession()
const formats = useFormats()
const knife = computed(() => fleet.byCode(props.code))
const code = computed(() => qrPath(labelText(location.origin, { kind: 'knife', key: props.code })))
const rows = computed(() => {
  const one = knife.value
  if (!one) return []
  const angles = `${formats.value.angle(one.dpsLeft)} / ${formats.value.angle(one.dpsRight)}`
  return [
    [say('field.type'), say(`type.${one.type}`)],
    [say('field.lengthMm'), formats.value.length(one.lengthMm)],
    [say('field.heelHeightMm'), formats.value.length(one.heelHeightMm)],
    [say('field.bteMm'), formats.value.thickness(one.bteMm)],
    [say('slip.steel'), [one.steelEn, `${one.hrc} HRC`].filter(Boolean).join(', ')],
    [say('slip.angles'), angles],
    [say('slip.ratio'), `${one.ratioRight === 50 ? say('slip.even') : `${100 - one.ratioRight} / ${one.ratioRight}`}`],
  ] as const
})
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('slip.title', { code: props.code }) }}</h1>
      <span class="soft">{{ session.house?.name }}</span>
      <span class="end no-print"><PrintButton :label="$t('slip.print')" /></span>
    </header>
    <article v-if="knife">
      <svg class="qr" :viewBox="`0 0 ${code.size} ${code.size}`" role="img" :aria-label="knife.code">
        <path :d="code.path" />
      </svg>
      <div>
        <EdgeStrip :knife="knife" large />
        <p v-if="knife.status === 'away'" class="lead">{{ $t('slip.with', { name: knife.statusReason ?? '' }) }}</p>
        <dl>
          <template v-for="[what, value] in rows" :key="what">
            <dt>{{ what }}</dt>
            <dd class="num">{{ value }}</dd>
          </template>
        </dl>
        <ul>
          <li>{{ $t('slip.keepAngle') }}</li>
          <li>{{ $t('slip.takeLittle') }}</li>
          <li>{{ $t('slip.cool') }}</li>
        </ul>
        <p class="lines">
          <span>{{ $t('slip.left') }}</span><span>{{ $t('slip.due') }}</span
          ><span>{{ $t('slip.signed') }}</span>
        </p>
      </div>
    </article>
  </div>
</template>

<style scoped>
article {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 24px;
  margin-top: 16px;
}
.qr {
  width: 150px;
  height: 150px;
  fill: var(--ink);
}
dl {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr);
  gap: 6px 18px;
  margin: 14px 0;
}
dd {
  margin: 0;
  font-weight: 700;
}
ul {
  padding-left: 1.2em;
  list-style: disc;
  line-height: 1.5;
}
.lines {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 24px;
  margin-top: 46px;
}
.lines span {
  border-top: 1px solid var(--ink);
  padding-top: 4px;
}
@media (max-width: 700px) {
  article,
  dl {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
