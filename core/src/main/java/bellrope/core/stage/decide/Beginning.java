package bellrope.core.stage.decide;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.stage.told.Account.Fed;
import bellrope.core.value.Datum;
import java.util.List;
import java.util.Map;

/** What the feeds make of an effect at the beginning. */
public record Beginning(Effect effect, List<Fed> fed, Map<String, Datum> values, List<Emitter> emitters) {}
