package fret.app.view;

import fret.sound.ClickPlayer;
import fret.sound.MidiKeyboard;
import fret.sound.NotePlayer;
import fret.sound.PassagePlayer;

/** What sounds and what is played on. */
public record Devices(
    ClickPlayer click, NotePlayer notes, MidiKeyboard keyboard, PassagePlayer passage) {}
