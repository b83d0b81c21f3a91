const COMMENT = /\/\*[\s\S]*?(\*\/|$)/g;
/** Rules that load, declare fonts, or move things. */
const LEFT_OUT =
  /@(import|charset|namespace)\b[^;{}]*(;|$)|@(font-face|(-webkit-)?keyframes)\b[^{}]*\{([^{}]*\{[^{}]*\})*[^{}]*\}/gi;
const LOCAL_URL = /url\(\s*(['"]?)#[\w.-]+\1\s*\)/gi;
const UNSAFE = /url\s*\(|javascript:|expression\s*\(|@(?!media\b)|\\|<|animation|transition|behaviou?r/i;

/** The rules of a style sheet that only paint; nothing where any of them could load, run or move something. */
export function safeCss(css: string): string {
  const rules = css.replace(COMMENT, '').replace(LEFT_OUT, '').trim();
  return UNSAFE.test(rules.replace(LOCAL_URL, '')) ? '' : rules;
}
