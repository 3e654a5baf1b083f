import vue from '@vitejs/plugin-vue'
import Components from 'unplugin-vue-components/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import { defineConfig } from 'vite'

const testing = process.env.VITEST === 'true'

export default defineConfig({
  base: '/',
  plugins: [vue(), ...(testing ? [] : [Components({ dts: 'src/components.d.ts', dirs: [], resolvers: [ElementPlusResolver()] })])],
  build: { chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': 'http://127.0.0.1:8321' } },
  test: { environment: 'jsdom' },
} as never)
