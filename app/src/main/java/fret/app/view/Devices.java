package fret.app.view;

import fret.sound.ClickPlayer;
import fret.sound.MidiKeyboard;
import fret.sound.NotePlayer;
import fret.sound.PassagePlayer;
import java.util.function.Consumer;

/**
 * What sounds and what is played on.
 *
 * @param awake keeps the screen awake from now on, or no more
 */
public record Devices(
    ClickPlayer click,
    NotePlayer notes,
    MidiKeyboard keyboard,
    PassagePlayer passage,
    PassagePlayer drone,
    Consumer<Boolean> awake) {}
