import path from 'node:path';
import { defineConfig } from 'vitest/config';

export default defineConfig({
    test: {
        environment: 'happy-dom',
        setupFiles: ['tests/Interface/setup.ts'],
        include: ['tests/Interface/**/*.test.{ts,tsx}'],
        restoreMocks: true,
        unstubGlobals: true,
        // All files of a worker share one environment; setup.ts clears it after each test. One environment a file takes three times as long.
        isolate: false,
        // A test says whether something works; bin/bench says how fast. Machines differ by a factor of six.
        testTimeout: 120_000,
        hookTimeout: 120_000,
    },
    resolve: {
        alias: {
            '@inertiajs/react': path.resolve(import.meta.dirname, 'tests/Interface/inertia.tsx'),
            '@': path.resolve(import.meta.dirname, 'resources/js'),
            'ziggy-js': path.resolve(import.meta.dirname, 'vendor/tightenco/ziggy'),
        },
    },
});
