import { watch, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'

/**
 * Keeps something chosen on a screen in its address as well, so that a link leads to the same. The address is read once;
 * after that it follows.
 *
 * @param usual what is not worth a place in the address
 */
export function useAddressed<T extends string | null>(chosen: Ref<T>, name: string, usual: T): void {
  const route = useRoute()
  const router = useRouter()
  const asked = route.query[name]
  if (typeof asked === 'string' && asked !== '') chosen.value = asked as T
  watch(chosen, (value) => {
    const others = Object.entries(route.query).filter(([key]) => key !== name)
    const query = value === usual || value === null ? others : [...others, [name, value] as const]
    void router.replace({ query: Object.fromEntries(query) })
  })
}
