import { defineConfig } from 'vite';
import laravel from 'laravel-vite-plugin';
import tailwindcss from '@tailwindcss/vite';

/**
 * Alpine refuses to hand on what is a global. To know them it reads each of the browser's thousand interfaces when a page begins, which
 * takes longer than all else that it does there: a function is looked up by its name instead, when it is met.
 */
const globalsWhenMet = {
  name: 'globals-when-met',
  transform(code, id) {
    if (!id.includes('@alpinejs/csp/')) return null;
    const replaced = [
      ['if (key === "styleMedia"', 'if (/^[A-Z]/.test(key) && !namespaces.includes(key) || key === "styleMedia"'],
      [
        'if (globals.has(prop))',
        'if (globals.has(prop) || (typeof prop === "function" && globalThis[prop.name] === prop))',
      ],
      ['var globals =', `var namespaces = ${JSON.stringify(namespaces)};\nvar globals =`],
    ].reduce((text, [from, to]) => {
      if (text.split(from).length !== 2) this.error(`${id} is not what it was: look at how it learns the globals.`);
      return text.replace(from, to);
    }, code);
    return { code: replaced, map: null };
  },
};

/** Globals with a capital that are no functions. */
const namespaces = ['Atomics', 'CSS', 'Intl', 'JSON', 'Math', 'Reflect', 'Temporal', 'WebAssembly'];

export default defineConfig({
  plugins: [
    globalsWhenMet,
    laravel({ input: ['resources/css/app.css', 'resources/js/app.js'], refresh: false }),
    tailwindcss(),
  ],
});
