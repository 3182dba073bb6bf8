import { defineConfig, globalIgnores } from 'eslint/config';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

// The arrows of the browser's half: pages -> features -> shared, never sideways.
const forbid = (...patterns) => ['error', { patterns: patterns.map((group) => ({ group: [group] })) }];

export default defineConfig(
    globalIgnores(['public/build', 'vendor', 'node_modules', 'bootstrap', 'storage', 'resources/js/types/ziggy.js']),
    {
        files: ['resources/js/**/*.{ts,tsx}', 'tests/Interface/**/*.{ts,tsx}', '*.config.ts'],
        extends: [tseslint.configs.strictTypeChecked, reactHooks.configs.flat['recommended-latest']],
        languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
        rules: {
            '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
        },
    },
    { files: ['resources/js/shared/**'], rules: { 'no-restricted-imports': forbid('@/features/*', '@/pages/*') } },
    {
        files: ['resources/js/features/**'],
        rules: { 'no-restricted-imports': forbid('@/pages/*', '@/features/*') },
    },
    { files: ['resources/js/pages/**'], rules: { 'no-restricted-imports': forbid('@/pages/*') } },
);
