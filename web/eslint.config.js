import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'
import parser from 'vue-eslint-parser'

export default tseslint.config(
  { ignores: ['src/api/schema.d.ts'] },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/essential'],
  {
    files: ['**/*.vue'],
    languageOptions: { parser, parserOptions: { parser: tseslint.parser, sourceType: 'module' } },
    rules: { 'vue/no-ref-as-operand': 'error', 'vue/require-v-for-key': 'error' },
  },
  {
    // what speaks to the server lies in src/server, so that late answers and changes are handled in one place
    files: ['src/**'],
    ignores: ['src/server/**'],
    rules: { 'no-restricted-imports': ['error', { patterns: ['**/server/http', 'openapi-fetch'] }] },
  },
)
