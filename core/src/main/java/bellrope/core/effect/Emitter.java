package bellrope.core.effect;

import bellrope.core.value.Demand;

/**
 * Gives birth to particles.
 *
 * @param name unique within its effect
 * @param seed part of the address of its random draws, unique within its effect, 0 to 65,535. A new seed is a new
 *     roll of the dice; a new name is not
 */
public record Emitter(String name, int seed, Birth birth, Look look, Life life) {
    public Emitter {
        Demand.name("name", name);
        Demand.within("seed", seed, 0, 65535);
    }

    public Emitter withBirth(Birth other) {
        return new Emitter(name, seed, other, look, life);
    }

    public Emitter withLife(Life other) {
        return new Emitter(name, seed, birth, look, other);
    }
}
