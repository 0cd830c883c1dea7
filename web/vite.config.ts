import vue from '@vitejs/plugin-vue'
import AutoImport from 'unplugin-auto-import/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import Components from 'unplugin-vue-components/vite'
import type { AtRule, Root } from 'postcss'
import { defineConfig } from 'vitest/config'

// Tests see no styles.
const platform = ElementPlusResolver({ importStyle: process.env.VITEST ? false : 'css' })

/** Puts the styles of the platform into a layer below our own, so that ours win without outdoing its selectors. */
const platformBelow = {
  postcssPlugin: 'platform-below',
  Once(root: Root, { AtRule }: { AtRule: new (of: object) => AtRule }) {
    if (!root.source?.input.file?.includes('node_modules/element-plus')) return
    const layer = new AtRule({ name: 'layer', params: 'platform', nodes: root.nodes })
    root.removeAll()
    root.append(layer)
  },
}

/** The core for pages, which the build of `browser` makes. */
const CORE = '/core/core.js'
/** What stands for it in tests, which load none. */
const NO_CORE = new URL('src/core/none.ts', import.meta.url).pathname

export default defineConfig({
  plugins: [
    vue(),
    AutoImport({ resolvers: [platform], dts: 'auto-imports.d.ts' }),
    Components({ resolvers: [platform], dirs: [], dts: 'components.d.ts' }),
  ],
  css: { postcss: { plugins: [platformBelow] } },
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    assetsInlineLimit: 0,
    rollupOptions: { input: ['index.html', 'standin.html'], external: [CORE] },
  },
  // What web games get as files stands beside the core there; here it is served with it.
  resolve: { alias: [{ find: /^\.\/core\.js$/, replacement: process.env.VITEST ? NO_CORE : CORE }] },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:7333', ws: true } } },
  test: {
    environment: 'happy-dom',
    include: ['src/**/*.spec.ts'],
  },
})
