import js from '@eslint/js'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

export default ts.config(
    js.configs.recommended,
    ...ts.configs.strict,
    ...vue.configs['flat/recommended'],
    { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
    {
        rules: {
            'no-undef': 'off', // TypeScript knows
            'vue/html-indent': ['error', 4],
            'vue/max-attributes-per-line': 'off',
            'vue/singleline-html-element-content-newline': 'off',
            'vue/multi-word-component-names': 'off',
            'vue/html-self-closing': ['error', { html: { void: 'any' } }],
        },
    },
)
