/** What the window shows, without the window. Start with {@link fret.app.viewmodel.Studio}. */
package fret.app.viewmodel;
