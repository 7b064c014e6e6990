import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';

export default tseslint.config(
  { ignores: ['**/dist/', 'node_modules/', 'data/', '**/.cache/'] },
  ...tseslint.configs.recommended,
  {
    files: ['web/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'warn' },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  {
    files: [
      'scripts/**',
      'cli/**',
      'e2e/**',
      'demo/**',
      'server/src/main.ts',
      'server/src/guild/{main,trial,serve-until-stopped}.ts',
      'server/src/torture/**',
      'core/src/paper/formats/write-schemas.ts',
    ],
    rules: { 'no-console': 'off' },
  },
);
