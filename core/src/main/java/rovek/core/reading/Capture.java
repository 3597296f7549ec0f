package rovek.core.reading;

/** What an instrument recorded for one reading, before anything is computed from it. */
public sealed interface Capture permits WaveformCapture, TableCapture, PictureCapture, TextCapture, ValueCapture {}
