import vue from '@vitejs/plugin-vue'
import Components from 'unplugin-vue-components/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'

const testing = process.env.VITEST === 'true'
// Everything that a page is made of is kept on the device, so that a visit opens without a network; answers of the API never are.
const offline = VitePWA({
  registerType: 'autoUpdate',
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,woff2,png}'],
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/static\//, /^\/healthz/, /^\/readyz/],
    maximumFileSizeToCacheInBytes: 3_000_000,
    runtimeCaching: [],
  },
  manifest: {
    name: 'Amvel',
    short_name: 'Amvel',
    description: 'Adaptive exercise: screen, fit, run, follow.',
    start_url: '/day',
    display: 'standalone',
    background_color: '#F7F2E8',
    theme_color: '#F7F2E8',
    icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
  },
})

export default defineConfig({
  base: '/',
  plugins: [vue(), ...(testing ? [] : [Components({ dts: 'src/components.d.ts', dirs: [], resolvers: [ElementPlusResolver()] }), offline])],
  build: { chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': 'http://127.0.0.1:8321' } },
  // Files share a page and its modules (specs/afresh.ts); the component library is put into one piece first.
  test: {
    environment: 'jsdom',
    pool: 'threads',
    isolate: false,
    testTimeout: 60_000, // patience, no measure: other tests run beside them
    setupFiles: ['src/specs/afresh.ts'],
    deps: { optimizer: { client: { enabled: true, include: ['element-plus'] } } },
  },
} as never)
