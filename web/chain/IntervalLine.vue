<script setup lang="ts">
/** A figure with the interval it lies in, on a scale shared with its neighbours, and a tick where nothing would differ. */
const props = defineProps<{
  readonly label: string
  readonly middle: number
  readonly low: number
  readonly high: number
  /** ends of the scale */
  readonly from: number
  readonly to: number
  readonly tick?: number
  readonly isApart?: boolean
}>()
const at = (value: number): string =>
  `${Math.min(100, Math.max(0, (100 * (value - props.from)) / (props.to - props.from)))}%`
</script>

<template>
  <span class="scale" role="img" :aria-label="label" :class="{ apart: isApart }">
    <span v-if="tick !== undefined" class="tick" :style="{ left: at(tick) }" />
    <span class="reach" :style="{ left: at(low), right: `calc(100% - ${at(high)})` }" />
    <span class="middle" :style="{ left: at(middle) }" />
  </span>
</template>

<style scoped>
.scale {
  position: relative;
  display: block;
  height: 18px;
  min-width: 0;
  border-bottom: 1px solid var(--rule);
}
.reach {
  position: absolute;
  top: 7px;
  height: 4px;
  background: var(--ink-soft);
}
.middle {
  position: absolute;
  top: 2px;
  width: 3px;
  height: 14px;
  margin-left: -1.5px;
  background: var(--ink);
}
.tick {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 1px dashed var(--rule-strong, var(--ink-soft));
}
.apart .reach {
  height: 6px;
  top: 6px;
  background: var(--ink);
}
</style>
