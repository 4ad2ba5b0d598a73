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

export default defineConfig({
  plugins: [
    vue(),
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
  test: { environment: 'happy-dom', include: ['src/**/*.spec.ts'], setupFiles: ['fake-indexeddb/auto'] },
} as Parameters<typeof defineConfig>[0]);
