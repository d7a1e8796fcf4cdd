package fret.app.view;

import fret.sound.ClickPlayer;
import fret.sound.Microphone;
import fret.sound.MidiKeyboard;
import fret.sound.NotePlayer;
import fret.sound.PassagePlayer;
import fret.take.SoundFiles;
import java.util.function.Consumer;

/**
 * What sounds and what is played on.
 *
 * @param microphone what takes are recorded from; {@code sounds} reads and writes them
 * @param awake keeps the screen awake from now on, or no more
 */
public record Devices(
    ClickPlayer click,
    NotePlayer notes,
    MidiKeyboard keyboard,
    PassagePlayer passage,
    PassagePlayer drone,
    Microphone microphone,
    SoundFiles sounds,
    Consumer<Boolean> awake) {}
