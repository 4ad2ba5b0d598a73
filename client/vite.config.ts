import vue from '@vitejs/plugin-vue';
import { createHash } from 'node:crypto';
import { readdirSync } from 'node:fs';
import Components from 'unplugin-vue-components/vite';
import { AntDesignVueResolver } from 'unplugin-vue-components/resolvers';
import { defineConfig, type Plugin } from 'vite';

/** Tells the service worker what the shell is made of: every file of the build, and what lies in public. */
function shell(): Plugin {
  return {
    name: 'wornpath-shell',
    apply: 'build',
    generateBundle(_options, bundle) {
      const worker = bundle['sw.js'];
      if (worker?.type !== 'chunk') throw new Error('The service worker was not built.');
      const files = [...Object.keys(bundle).filter((f) => f !== 'sw.js' && f !== 'index.html'), ...readdirSync('public')]
        .map((f) => `/${f}`)
        .sort();
      const build = createHash('sha256').update(files.join()).digest('hex').slice(0, 12);
      worker.code = `const SHELL = ${JSON.stringify({ build, files })};\n${worker.code}`;
    },
  };
}

/** The faces every page begins with are asked for with the page itself: they are there before the first text is drawn. */
function fonts(): Plugin {
  const first = /(next-latin-wght|mono-latin-[47]00|barlow-condensed-latin-600)-normal-[\w-]+\.woff2$/;
  return {
    name: 'wornpath-fonts',
    apply: 'build',
    transformIndexHtml: {
      order: 'post',
      handler: (_html, { bundle }) =>
        Object.keys(bundle ?? {})
          .filter((file) => first.test(file))
          .map((file) => ({
            tag: 'link',
            attrs: { rel: 'preload', as: 'font', type: 'font/woff2', href: `/${file}`, crossorigin: '' },
            injectTo: 'head',
          })),
    },
  };
}

export default defineConfig({
  plugins: [
    vue(),
    fonts(),
    Components({ dts: 'src/components.d.ts', dirs: [], resolvers: [AntDesignVueResolver({ importStyle: false })] }),
    shell(),
  ],
  build: {
    outDir: '../src/WornPath.Web/wwwroot',
    emptyOutDir: true,
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    rollupOptions: {
      input: { index: 'index.html', sw: 'sw/sw.ts' },
      // The service worker is found under one name.
      output: { entryFileNames: (chunk) => (chunk.name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js') },
    },
  },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:5210', ws: true } } },
  test: { environment: 'happy-dom', css: { include: /styles\.css/ }, include: ['src/**/*.spec.ts'], setupFiles: ['fake-indexeddb/auto'] },
} as Parameters<typeof defineConfig>[0]);
