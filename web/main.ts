import '@fontsource/atkinson-hyperlegible-next/400.css'
import '@fontsource/atkinson-hyperlegible-next/600.css'
import '@fontsource/atkinson-hyperlegible-next/700.css'
import './styles/tokens.css'
import './styles/base.css'
import './styles/controls.css'
import './styles/patterns.css'
import './styles/print.css'
import { createPinia } from 'pinia'
import PrimeVue from 'primevue/config'
import { createApp } from 'vue'
import App from './App.vue'
import { whenSessionEnds } from './api'
import { i18n } from './i18n'
import { passThrough } from './passThrough'
import { makeRouter } from './router'
import { useFleet } from './live/fleet'
import { useSession } from './stores/session'
import { styleNonce } from './ui/styleNonce'

const app = createApp(App)
app.use(createPinia())
app.use(i18n)
app.use(PrimeVue, { unstyled: true, pt: passThrough, csp: { nonce: styleNonce } })

const session = useSession()
const fleet = useFleet()
const router = makeRouter(session, fleet)
whenSessionEnds(() => {
  session.leave()
  fleet.forget()
  const { name, fullPath } = router.currentRoute.value
  // nowhere yet: the page is being opened, and the router's own guard leads to the sign-in and back
  if (name !== undefined && name !== 'sign-in') void router.push({ name: 'sign-in', query: { back: fullPath } })
})
app.use(router)
app.mount('#app')
