<script setup lang="ts">
import Menu from 'primevue/menu'
import type { MenuItem } from 'primevue/menuitem'
import { computed, useTemplateRef } from 'vue'
import { useRouter, type RouteLocationRaw } from 'vue-router'
import AppButton from './AppButton.vue'

export interface MoreItem {
  readonly label: string
  readonly to?: RouteLocationRaw
  readonly act?: () => void
}

/** What is needed now and then, behind one key; what fills the slot stands on the key in place of its label. */
const props = defineProps<{ label: string; items: readonly MoreItem[]; kind?: 'bare'; icon?: string }>()
defineOptions({ inheritAttrs: false })
const router = useRouter()
const key = useTemplateRef<{ $el: HTMLElement }>('key')
defineExpose({
  /** the key itself, for whoever makes more of it: a thing to drag */
  element: () => key.value?.$el,
})
const menu = useTemplateRef<{ toggle: (event: Event) => void }>('menu')
const model = computed((): MenuItem[] =>
  props.items.map(({ label, to, act }) => ({
    label,
    command: () => {
      if (to !== undefined) void router.push(to)
      act?.()
    },
  })),
)
</script>

<template>
  <AppButton
    v-if="items.length > 0"
    ref="key"
    v-bind="{
      ...$attrs,
      ...(kind ? { kind } : {}),
      ...($slots['default'] ? { 'aria-label': label } : { icon: icon ?? 'ellipsis-h' }),
    }"
    aria-haspopup="menu"
    @click="menu?.toggle($event)"
  >
    <slot>{{ label }}</slot>
  </AppButton>
  <Menu ref="menu" :model="model" popup :aria-label="label" />
</template>
