/** The strip, its lanes and fonts. Start with {@link fret.app.widget.StripView}. */
package fret.app.widget;
