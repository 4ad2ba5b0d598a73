import vue from '@vitejs/plugin-vue';
import Components from 'unplugin-vue-components/vite';
import { AntDesignVueResolver } from 'unplugin-vue-components/resolvers';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [vue(), Components({ dts: 'src/components.d.ts', dirs: [], resolvers: [AntDesignVueResolver({ importStyle: false })] })],
  build: { outDir: '../src/WornPath.Web/wwwroot', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': 'http://127.0.0.1:5210' } },
  test: { environment: 'happy-dom', include: ['src/**/*.spec.ts'] },
} as Parameters<typeof defineConfig>[0]);
