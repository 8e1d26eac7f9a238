/** What is most often wanted in a text of a business. */
const USUAL = '🙂 👍 🙏 ❤️ 🎉 ✅ ⏰ 📅 📍 📞 ☀️ 🌧️ 🚣 ⛵ 🎁 ☕'.split(' ');

/** All there are, with the words they are found by. */
export async function allEmoji() {
  const { default: all } = await import('emojibase-data/en/compact.json');
  return all
    .filter((one) => one.unicode && one.group !== undefined)
    .map((one) => ({
      words: [...one.label.split(' '), ...(one.tags ?? [])].map((word) => word.toLowerCase()),
      usual: USUAL.includes(one.unicode),
      label: one.label,
      face: one.unicode,
    }));
}

/** Those with a word that begins so, the usual ones first; the usual ones where nothing is typed. */
export function emojiNamed(all, typed) {
  if (typed.trim() === '') return all.filter((one) => one.usual);
  const begins = typed.toLowerCase().trim().split(' ');
  const fit = all.filter((one) => begins.every((begin) => one.words.some((word) => word.startsWith(begin))));
  return [...fit.filter((one) => one.usual), ...fit.filter((one) => !one.usual)].slice(0, 60);
}
