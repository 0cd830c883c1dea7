package bellrope.format.answer;

import bellrope.format.json.JsonValue;

/** A change that mends something: what it does, and the body of the rope with it made. */
public record RemedyView(String words, JsonValue body) {}
