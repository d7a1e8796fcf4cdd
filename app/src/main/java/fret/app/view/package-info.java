/** The window and its areas. Start with {@link fret.app.view.MainView}. */
package fret.app.view;
