/** Devices and their stand-ins. Start with {@link fret.app.device.StreamClickPlayer}. */
package fret.app.device;
