import '@fontsource/atkinson-hyperlegible-next/400.css'
import '@fontsource/atkinson-hyperlegible-next/600.css'
import '@fontsource/atkinson-hyperlegible-next/700.css'
import 'primeicons/primeicons.css'
import './styles/tokens.css'
import './styles/base.css'
import './styles/controls.css'
import './styles/patterns.css'
import './styles/print.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { whenKept, whenSessionEnds } from './api'
import { deviceLanguage, i18n, speak } from './spoken'
import { keepForOffline } from './offline/register'
import { makeRouter } from './router'
import { useFleet } from './live/fleet'
import { useNetwork } from './stores/network'
import { useSession } from './stores/session'
import { controls } from './ui/controls'

const app = createApp(App)
app.use(createPinia())
app.use(i18n)
app.use(controls)

const session = useSession()
const fleet = useFleet()
const router = makeRouter(session, fleet)
whenSessionEnds(() => {
  // who has signed out hears it as well, from what was still on its way: nothing has ended that had not
  const ended = session.signedIn !== null
  session.leave()
  fleet.forget()
  const { name, fullPath } = router.currentRoute.value
  // nowhere yet: the page is being opened, and the router's own guard leads to the sign-in and back
  if (ended && name !== undefined && name !== 'sign-in')
    void router.push({ name: 'sign-in', query: { back: fullPath } })
})
whenKept(useNetwork().heard)
app.use(router)
// the first words are there before the first screen
void speak(deviceLanguage()).then(() => {
  app.mount('#app')
  keepForOffline()
})
