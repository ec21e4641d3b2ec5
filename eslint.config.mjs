import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import { defineConfig, globalIgnores } from 'eslint/config';
import tseslint from 'typescript-eslint';

export default defineConfig(
    globalIgnores(['vendor', 'public', 'storage', 'resources/js/types/generated', 'tests/Toy/generated', 'test-results']),
    tseslint.configs.strictTypeChecked,
    vue.configs['flat/recommended'],
    {
        languageOptions: {
            parserOptions: {
                parser: tseslint.parser,
                projectService: { allowDefaultProject: ['eslint.config.mjs'] },
                extraFileExtensions: ['.vue'],
            },
        },
        rules: {
            '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
            '@typescript-eslint/no-explicit-any': 'error',
            '@typescript-eslint/no-non-null-assertion': 'off',
            '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
            'vue/multi-word-component-names': 'off',
            'vue/require-default-prop': 'off',
        },
    },
    // The linter does not know the types of single-file components; vue-tsc does.
    { files: ['**/crafts/*/index.ts', 'tests/Toy/**/*.ts'], rules: { '@typescript-eslint/no-unsafe-assignment': 'off' } },
    { files: ['**/*.mjs'], extends: [tseslint.configs.disableTypeChecked] },
    prettier,
);
