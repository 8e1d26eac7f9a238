import Alpine from '@alpinejs/csp';
import './htmx.js';
import 'idiomorph/dist/idiomorph-ext.js';
import { listenForKeys } from './keys.js';
import rail from './rail.js';
import ruleReader from './rule-reader.js';
import wording from './wording.js';
import toast from './toast.js';
import { closeWordsOutside } from './words.js';

Alpine.data('rail', rail);
Alpine.data('ruleReader', ruleReader);
Alpine.data('toast', toast);
Alpine.data('wording', wording);
Alpine.start();
closeWordsOutside(document);
listenForKeys(document);
