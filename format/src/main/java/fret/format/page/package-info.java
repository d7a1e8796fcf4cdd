/**
 * Engraved pages as PDF, SVG and PNG. One painter walks over what was engraved; each format is a
 * surface it paints on. Start with {@link fret.format.page.PageFiles}.
 */
package fret.format.page;
