// Here: the colors, type sizes and spaces of the product, for the page (Ant Design and CSS) and for print.
// Not here: how they are used; `web/src/styles/tokens.css` is written from these by `npm run docs`.
export { DARK, type Palette, LIGHT, PRINT, SYSTEM_COLORS } from './colors.ts';
export { FONTS, SPACE_PX, TEXT_PX } from './type.ts';
export { tokensCss } from './css.ts';
