import { defineConfig, globalIgnores } from 'eslint/config';
import accessibility from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

// The arrows of the browser's half: pages -> features -> shared, never sideways.
const forbid = (...patterns) => ['error', { patterns: patterns.map((group) => ({ group: [group] })) }];

export default defineConfig(
    globalIgnores(['public/build', 'vendor', 'node_modules', 'bootstrap', 'storage', 'resources/js/types/ziggy.js']),
    {
        files: ['resources/js/**/*.{ts,tsx}', 'tests/Interface/**/*.{ts,tsx}', '*.config.ts'],
        extends: [
            tseslint.configs.strictTypeChecked,
            reactHooks.configs.flat['recommended-latest'],
            accessibility.flatConfigs.strict,
        ],
        languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
        rules: {
            '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
            // A sheet that opens, and the next exercise, put the focus where one goes on: what is opened is what was asked for.
            'jsx-a11y/no-autofocus': 'off',
            // What scrolls is reached by keyboard: axe asks for a place in the order of tabs.
            'jsx-a11y/no-noninteractive-tabindex': 'off',
            // Files may be dropped where a button takes them as well.
            'jsx-a11y/no-static-element-interactions': [
                'error',
                { handlers: ['onClick', 'onMouseDown', 'onMouseUp', 'onKeyPress', 'onKeyDown', 'onKeyUp'] },
            ],
            // A picture and a mesh are worked on with arrow keys and pointer, told in their names: role "application" (WAI-ARIA).
            'jsx-a11y/no-noninteractive-element-interactions': [
                'error',
                { div: ['onPointerDown', 'onPointerMove', 'onPointerUp', 'onPointerLeave', 'onKeyDown'] },
            ],
            'jsx-a11y/no-interactive-element-to-noninteractive-role': ['error', { canvas: ['application'] }],
            // The cells of a grid have the focus, one at a time.
            'jsx-a11y/interactive-supports-focus': [
                'error',
                { tabbable: ['button', 'checkbox', 'link', 'searchbox', 'spinbutton', 'switch', 'textbox'] },
            ],
        },
    },
    { files: ['resources/js/shared/**'], rules: { 'no-restricted-imports': forbid('@/features/*', '@/pages/*') } },
    {
        files: ['resources/js/features/**'],
        rules: { 'no-restricted-imports': forbid('@/pages/*', '@/features/*') },
    },
    { files: ['resources/js/pages/**'], rules: { 'no-restricted-imports': forbid('@/pages/*') } },
);
