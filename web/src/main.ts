import '@fontsource/atkinson-hyperlegible/400.css'
import '@fontsource/atkinson-hyperlegible/700.css'
import '@fontsource/literata/600.css'
import 'element-plus/theme-chalk/base.css'
import './styles/tokens.css'
import './styles/base.css'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { i18n, speakAsBefore } from './i18n'
import { keepDelivering } from './offline/delivery'
import { router } from './router'
import { newQueryClient } from './stores/queryClient'

const app = createApp(App).use(VueQueryPlugin, { queryClient: newQueryClient() }).use(createPinia()).use(i18n)
// Without the words of another language the page is in English.
void speakAsBefore()
  .catch(() => undefined)
  .then(() => {
    app.use(router).mount('#app')
    keepDelivering()
  })
