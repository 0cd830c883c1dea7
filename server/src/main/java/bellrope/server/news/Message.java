package bellrope.server.news;

import bellrope.server.view.Views.Saved;

/** What a window is told. */
sealed interface Message {
    /** Which kind it is, as the reader tells them apart. */
    String is();

    /** A word without more to say: {@code ready}, or {@code replaced} after a whole bundle was imported. */
    record Word(String is) implements Message {}

    /** Someone else saved a part. */
    record RevisionSaved(String is, Saved saved) implements Message {}

    /** So many running games are linked with the project. */
    record GamesLinked(String is, int linked) implements Message {}
}
