import { useRouter } from 'vue-router'

/** The way out of a screen that fills the tablet: to where one came from, or to Today where that was nowhere. */
export function useLeave(): () => void {
  const router = useRouter()
  return () => {
    if (window.history.state?.back) router.back()
    else void router.push('/today')
  }
}
