/**
 * The hand, the school and what the player cares about, as data. Start with {@link
 * fret.player.HandModel}.
 */
package fret.player;
