import js from '@eslint/js'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

export default ts.config(
    js.configs.recommended,
    ...ts.configs.strict,
    ...vue.configs['flat/recommended'],
    { languageOptions: { parserOptions: { project: './tsconfig.json', tsconfigRootDir: import.meta.dirname, extraFileExtensions: ['.vue'] } } },
    { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
    {
        rules: {
            '@typescript-eslint/no-floating-promises': 'error',
            '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
            'no-undef': 'off', // TypeScript knows
            'vue/html-indent': ['error', 4],
            'vue/max-attributes-per-line': 'off',
            'vue/singleline-html-element-content-newline': 'off',
            'vue/multi-word-component-names': 'off',
            'vue/html-self-closing': ['error', { html: { void: 'any' } }],
        },
    },
)
