/** Names of code pages in a header, as decoders call them. */
const CODE_PAGES: readonly (readonly [said: RegExp, label: string])[] = [
  [/^ANSI_(125[0-8]|874)$/, 'windows-$1'],
  [/^ANSI_932$|^DOS932$/, 'shift_jis'],
  [/^ANSI_936$|^GB2312$/, 'gbk'],
  [/^ANSI_949$|^KSC5601$|^JOHAB$/, 'euc-kr'],
  [/^ANSI_950$|^BIG5$/, 'big5'],
  [/^DOS866$/, 'ibm866'],
  [/^ISO_?8859-(\d{1,2})$/, 'iso-8859-$1'],
  [/^MAC-ROMAN$/, 'macintosh'],
];

/** The upper half of the two code pages of old programs that decoders do not know. */
const DOS: Readonly<Record<string, string>> = {
  DOS437:
    'ÇüéâäàåçêëèïîìÄÅÉæÆôöòûùÿÖÜ¢£¥₧ƒáíóúñÑªº¿⌐¬½¼¡«»░▒▓│┤╡╢╖╕╣║╗╝╜╛┐└┴┬├─┼╞╟╚╔╩╦╠═╬╧╨╤╥╙╘╒╓╫╪┘┌█▄▌▐▀αßΓπΣσµτΦΘΩδ∞φε∩≡±≥≤⌠⌡÷≈°∙·√ⁿ²■\u00a0',
  DOS850:
    'ÇüéâäàåçêëèïîìÄÅÉæÆôöòûùÿÖÜø£Ø×ƒáíóúñÑªº¿®¬½¼¡«»░▒▓│┤ÁÂÀ©╣║╗╝¢¥┐└┴┬├─┼ãÃ╚╔╩╦╠═╬¤ðÐÊËÈıÍÎÏ┘┌█▄¦Ì▀ÓßÔÒõÕµþÞÚÛÙýÝ¯´\u00ad±‗¾¶§÷¸°¨·¹³²■\u00a0',
};

const HEAD_BYTES = 200_000;

/**
 * The text of a drawing file in the code page that it was written in: UTF-8 where its bytes are that, else as its header says, else the
 * usual one of Western Europe.
 */
export function decodeDxf(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    // Letters of one byte: an older file.
  }
  const head = new TextDecoder('windows-1252').decode(bytes.subarray(0, HEAD_BYTES));
  const said = (/\$DWGCODEPAGE\s*\r?\n\s*3\s*\r?\n\s*([\w-]{1,20})/i.exec(head)?.[1] ?? 'ANSI_1252').toUpperCase();
  const dos = DOS[said];
  if (dos !== undefined) return Array.from(bytes, (byte) => (byte < 128 ? String.fromCharCode(byte) : dos[byte - 128])).join('');
  for (const [page, label] of CODE_PAGES) if (page.test(said)) return decodedAs(bytes, said.replace(page, label));
  return decodedAs(bytes, 'windows-1252');
}

function decodedAs(bytes: Uint8Array, label: string): string {
  try {
    return new TextDecoder(label).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

const SIGNS: Readonly<Record<string, string>> = { d: '°', c: 'Ø', p: '±', '%': '%' };
const MAX_TEXT = 200;

/** The words of a text entity, without what only formats them. */
export const plainText = (text: string): string =>
  unescaped(text.replace(/%%([dcp%])/gi, (_, sign: string) => SIGNS[sign.toLowerCase()]).replace(/%%[uok]/gi, ''));

/** The same for a text of several lines, whose formatting stands between backslashes and braces. */
export const plainLines = (text: string): string =>
  plainText(
    text
      .replace(/\\U\+([0-9a-f]{4})/gi, (_, hex: string) => String.fromCharCode(parseInt(hex, 16)))
      .replace(/\\[Pp~]/g, ' ')
      .replace(/\\S([^;]*?)[#^/]([^;]*);/g, '$1/$2')
      .replace(/\\[A-Za-z][^;\\{}]*;/g, '')
      .replace(/\\([LlOoKk])/g, '')
      .replace(/\\([\\{}])/g, '$1')
      .replace(/[{}]/g, ''),
  );

const unescaped = (text: string): string =>
  text
    .replace(/\\U\+([0-9a-f]{4})/gi, (_, hex: string) => String.fromCharCode(parseInt(hex, 16)))
    // A control character belongs to no word.
    .replace(/\p{Cc}/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, MAX_TEXT);
