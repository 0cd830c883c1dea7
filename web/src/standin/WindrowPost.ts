// The contract of Windrow Post, version not handed over yet.
// Generated; a change here is lost.

export const VERSION = "not handed over yet";

/** Three numbers; y is up. */
export type Vec = readonly [x: number, y: number, z: number];
export type Value = number | boolean | string | Vec;

/** Where calls go: the bell of a Stage, or of a LinkedStage that is linked with a bench. See docs/web-games.md. */
export interface Bell {
    pull(event: string, phase: string, subject: string, value: string | undefined, payload: Record<string, Value>): void;
    publish(channel: string, value: number): void;
    set(instance: number, parameter: string, value: Value): void;
}

/** Names of events. */
export const Events = {
    /** The courier comes down on something. */
    COURIER_LANDED: "courier.landed",
    /** Something hits the courier in flight. */
    COURIER_STRUCK: "courier.struck",
    /** The courier falls; the run is over. */
    COURIER_DOWNED: "courier.downed",
    /** A parcel is picked up on the way. */
    PARCEL_COLLECTED: "parcel.collected",
    /** A parcel reaches its mill. */
    PARCEL_DELIVERED: "parcel.delivered",
    /** A crow is frightened off. */
    CROW_SCATTERED: "crow.scattered",
    /** The line runs over the drum; it heats up while it is held. */
    KITE_REELING: "kite.reeling",
    /** A mill turns in the wind. */
    MILL_TURNING: "mill.turning",
    /** A gust crosses a stretch of the moor. */
    GUST_CROSSING: "gust.crossing",
    /** What falls from the sky. */
    WEATHER: "weather",
} as const;

/** Names of channels. */
export const Channels = {
    /**
     * How hard it blows over the moor.
     * 0 to 12 u/s, usually 4.
     */
    WIND: "wind",
    /**
     * How much falls, from a trace to all there is.
     * 0 to 1, usually 0.6.
     */
    INTENSITY: "intensity",
    /**
     * How fast the courier flies.
     * 0 to 14 u/s, usually 6.
     */
    COURIER_SPEED: "courier speed",
} as const;

/** What the game is told by name. */
export const Notices = {
    /** Told by the courier falls. */
    HIDE_THE_COURIER: "hide the courier",
} as const;

/** Words of courier.landed, surface. */
export type CourierLandedSurface = "thatch" | "stone" | "peat" | "water";

/** Words of courier.struck, by. */
export type CourierStruckBy = "hail" | "crow" | "branch";

/** Words of courier.downed, cause. */
export type CourierDownedCause = "hail" | "crow" | "branch" | "water";

/** Words of weather. */
export type WeatherValue = "clear" | "drizzle" | "downpour" | "hail" | "snow";

/** Words of hailfall, stones. */
export type HailfallStones = "pea" | "marble" | "plum";

/** Words of hide the courier, cause. */
export type HideTheCourierCause = "hail" | "crow" | "branch" | "water";

/**
 * The courier comes down on something.
 * @param subject who or what it is about; empty for the usual one
 * @param position the position
 * @param normal the normal
 * @param speed a number from 0 to 14 u/s, usually 9
 * @param surface thatch, stone, peat or water
 */
export function courierLanded(bell: Bell, subject: string, position: Vec, normal: Vec, speed: number, surface: CourierLandedSurface): void {
    bell.pull("courier.landed", "moment", subject, undefined, { "position": position, "normal": normal, "speed": speed, "surface": surface });
}

/**
 * Something hits the courier in flight.
 * @param subject who or what it is about; empty for the usual one
 * @param position the position
 * @param direction the direction
 * @param force a number from 0 to 100 N, usually 45
 * @param by hail, crow or branch
 */
export function courierStruck(bell: Bell, subject: string, position: Vec, direction: Vec, force: number, by: CourierStruckBy): void {
    bell.pull("courier.struck", "moment", subject, undefined, { "position": position, "direction": direction, "force": force, "by": by });
}

/**
 * The courier falls; the run is over.
 * @param subject who or what it is about; empty for the usual one
 * @param position the position
 * @param direction the direction
 * @param cause hail, crow, branch or water
 */
export function courierDowned(bell: Bell, subject: string, position: Vec, direction: Vec, cause: CourierDownedCause): void {
    bell.pull("courier.downed", "moment", subject, undefined, { "position": position, "direction": direction, "cause": cause });
}

/**
 * A parcel is picked up on the way.
 * @param subject who or what it is about; empty for the usual one
 * @param position the position
 * @param worth a number from 1 to 5, usually 2
 */
export function parcelCollected(bell: Bell, subject: string, position: Vec, worth: number): void {
    bell.pull("parcel.collected", "moment", subject, undefined, { "position": position, "worth": worth });
}

/**
 * A parcel reaches its mill.
 * @param subject who or what it is about; empty for the usual one
 * @param position the position
 * @param streak a number from 0 to 12, usually 3
 */
export function parcelDelivered(bell: Bell, subject: string, position: Vec, streak: number): void {
    bell.pull("parcel.delivered", "moment", subject, undefined, { "position": position, "streak": streak });
}

/**
 * A crow is frightened off.
 * @param subject who or what it is about; empty for the usual one
 * @param position the position
 * @param direction the direction
 */
export function crowScattered(bell: Bell, subject: string, position: Vec, direction: Vec): void {
    bell.pull("crow.scattered", "moment", subject, undefined, { "position": position, "direction": direction });
}

/**
 * The line runs over the drum; it heats up while it is held.
 * It begins.
 * @param subject who or what it is about; empty for the usual one
 * @param position the position
 * @param heading the heading
 */
export function kiteReelingBegins(bell: Bell, subject: string, position: Vec, heading: Vec): void {
    bell.pull("kite.reeling", "begin", subject, undefined, { "position": position, "heading": heading });
}

/**
 * The line runs over the drum; it heats up while it is held.
 * It ends.
 * @param subject who or what it is about; empty for the usual one
 */
export function kiteReelingEnds(bell: Bell, subject: string): void {
    bell.pull("kite.reeling", "end", subject, undefined, {  });
}

/**
 * A mill turns in the wind.
 * It begins.
 * @param subject who or what it is about; empty for the usual one
 * @param position the position
 */
export function millTurningBegins(bell: Bell, subject: string, position: Vec): void {
    bell.pull("mill.turning", "begin", subject, undefined, { "position": position });
}

/**
 * A mill turns in the wind.
 * It ends.
 * @param subject who or what it is about; empty for the usual one
 */
export function millTurningEnds(bell: Bell, subject: string): void {
    bell.pull("mill.turning", "end", subject, undefined, {  });
}

/**
 * A gust crosses a stretch of the moor.
 * It begins.
 * @param subject who or what it is about; empty for the usual one
 * @param position the position
 * @param extent the extent
 */
export function gustCrossingBegins(bell: Bell, subject: string, position: Vec, extent: Vec): void {
    bell.pull("gust.crossing", "begin", subject, undefined, { "position": position, "extent": extent });
}

/**
 * A gust crosses a stretch of the moor.
 * It ends.
 * @param subject who or what it is about; empty for the usual one
 */
export function gustCrossingEnds(bell: Bell, subject: string): void {
    bell.pull("gust.crossing", "end", subject, undefined, {  });
}

/**
 * What falls from the sky.
 * @param subject who or what it is about; empty for the usual one
 * @param value clear, drizzle, downpour, hail or snow
 */
export function weather(bell: Bell, subject: string, value: WeatherValue): void {
    bell.pull("weather", "set", subject, value, {  });
}

/**
 * How hard it blows over the moor.
 * @param value 0 to 12 u/s, usually 4.
 */
export function publishWind(bell: Bell, value: number): void {
    bell.publish("wind", value);
}

/**
 * How much falls, from a trace to all there is.
 * @param value 0 to 1, usually 0.6.
 */
export function publishIntensity(bell: Bell, value: number): void {
    bell.publish("intensity", value);
}

/**
 * How fast the courier flies.
 * @param value 0 to 14 u/s, usually 6.
 */
export function publishCourierSpeed(bell: Bell, value: number): void {
    bell.publish("courier speed", value);
}

/** What the notice hide the courier carries. */
export const HideTheCourierNotice = {
    /**
     * the position.
     * With every such notice.
     */
    where(values: Record<string, Value>): Vec | undefined {
        return values["where"] as Vec | undefined;
    },
    /**
     * hail, crow, branch or water.
     * With every such notice.
     */
    cause(values: Record<string, Value>): HideTheCourierCause | undefined {
        return values["cause"] as HideTheCourierCause | undefined;
    },
} as const;

/** Dry straw thrown up by a landing on thatch. */
export const StrawPuffEffect = {
    /** Its name. */
    EFFECT: "straw puff",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces are thrown.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces are thrown.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** Chips and grit off a hard landing on stone. */
export const StoneChipsEffect = {
    /** Its name. */
    EFFECT: "stone chips",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces are thrown.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces are thrown.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** Wet clods out of the bog, heavy and short. */
export const PeatSplatEffect = {
    /** Its name. */
    EFFECT: "peat splat",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces are thrown.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces are thrown.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** A crown of drops out of a pool, mist inside it and a ring running out. */
export const WaterCrownEffect = {
    /** Its name. */
    EFFECT: "water crown",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces are thrown.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces are thrown.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
    /**
     * Whether it is bog water: less of it shines through.
     * true or false, usually no.
     */
    MUDDY: "muddy",
    /**
     * Whether it is bog water: less of it shines through.
     * @param value true or false, usually no.
     */
    setMuddy(bell: Bell, instance: number, value: boolean): void {
        bell.set(instance, "muddy", value);
    },
} as const;

/** The extra jolt of a landing that hurt. */
export const HardKnockEffect = {
    /** Its name. */
    EFFECT: "hard knock",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces are thrown.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces are thrown.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** A hailstone breaks on the courier. */
export const HailShatterEffect = {
    /** Its name. */
    EFFECT: "hail shatter",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces are thrown.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces are thrown.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** Down and feathers where a crow struck. */
export const FeatherBurstEffect = {
    /** Its name. */
    EFFECT: "feather burst",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces are thrown.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces are thrown.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** A few feathers left in the air by a frightened crow. */
export const CrowScatterEffect = {
    /** Its name. */
    EFFECT: "crow scatter",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces are thrown.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces are thrown.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** The kite goes to pieces: cloth, splinters and a long fall. */
export const KiteTearEffect = {
    /** Its name. */
    EFFECT: "kite tear",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces are thrown.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces are thrown.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** A small bright yes. */
export const ParcelGlintEffect = {
    /** Its name. */
    EFFECT: "parcel glint",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces are thrown.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces are thrown.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
    /**
     * What the parcel is worth: more glints, brighter.
     * a whole number from 1 to 5, usually 1.
     */
    WORTH: "worth",
    /** The default of worth. */
    WORTH_DEFAULT: 1,
    /** The least of worth. */
    WORTH_LEAST: 1,
    /** The most of worth. */
    WORTH_MOST: 5,
    /**
     * What the parcel is worth: more glints, brighter.
     * @param value a whole number from 1 to 5, usually 1.
     */
    setWorth(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "worth", value);
    },
} as const;

/** Wax and paper bits when a parcel reaches its mill. */
export const SealRingEffect = {
    /** Its name. */
    EFFECT: "seal ring",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces are thrown.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces are thrown.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
    /**
     * The colour of the house the parcel was for.
     * a colour such as #C79A4B, usually #FFFFFF.
     */
    RIBBON: "ribbon",
    /**
     * The colour of the house the parcel was for.
     * @param value a colour such as #C79A4B, usually #FFFFFF.
     */
    setRibbon(bell: Bell, instance: number, value: string): void {
        bell.set(instance, "ribbon", value);
    },
} as const;

/** The drum takes hold: a puff as the line begins to run. */
export const DrumPuffEffect = {
    /** Its name. */
    EFFECT: "drum puff",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces it throws.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces it throws.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** Grease smoke off the reel while the line runs hot. */
export const ReelSmokeEffect = {
    /** Its name. */
    EFFECT: "reel smoke",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many it bears a second.
     * a number from 0.05 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0.05,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many it bears a second.
     * @param value a number from 0.05 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
    /**
     * How hot the line runs: more smoke first, then faster and wider as it thins out.
     * a number from 0 to 1, usually 0.
     */
    HEAT: "heat",
    /** The default of heat. */
    HEAT_DEFAULT: 0,
    /** The least of heat. */
    HEAT_LEAST: 0,
    /** The most of heat. */
    HEAT_MOST: 1,
    /**
     * How hot the line runs: more smoke first, then faster and wider as it thins out.
     * @param value a number from 0 to 1, usually 0.
     */
    setHeat(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "heat", value);
    },
} as const;

/** Chaff that drifts about the turning sails. */
export const MillChaffEffect = {
    /** Its name. */
    EFFECT: "mill chaff",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many it bears a second.
     * a number from 0.05 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0.05,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many it bears a second.
     * @param value a number from 0.05 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** Wind made visible: thin streaks that race past. */
export const GustStreaksEffect = {
    /** Its name. */
    EFFECT: "gust streaks",
    /**
     * Full size of the gust along each axis; streaks are born all through it.
     * three numbers from −60 to 60 u, usually (0.5, 3, 1.5).
     */
    ZONE: "zone",
    /**
     * Full size of the gust along each axis; streaks are born all through it.
     * @param value three numbers from −60 to 60 u, usually (0.5, 3, 1.5).
     */
    setZone(bell: Bell, instance: number, value: Vec): void {
        bell.set(instance, "zone", value);
    },
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many it bears a second.
     * a number from 0.05 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0.05,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many it bears a second.
     * @param value a number from 0.05 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
    /**
     * How wildly streaks are thrown about, those too that fly already.
     * a number from 0 to 4 ×, usually 1.
     */
    WILDNESS: "wildness",
    /** The default of wildness. */
    WILDNESS_DEFAULT: 1,
    /** The least of wildness. */
    WILDNESS_LEAST: 0,
    /** The most of wildness. */
    WILDNESS_MOST: 4,
    /**
     * How wildly streaks are thrown about, those too that fly already.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setWildness(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "wildness", value);
    },
} as const;

/** Fine rain that hardly wets the straw. */
export const DrizzleEffect = {
    /** Its name. */
    EFFECT: "drizzle",
    /**
     * How big the drops are.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the drops are.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many it bears a second.
     * a number from 0.05 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0.05,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many it bears a second.
     * @param value a number from 0.05 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** Heavy rain with splashes where it strikes. */
export const DownpourEffect = {
    /** Its name. */
    EFFECT: "downpour",
    /**
     * How big the drops are.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the drops are.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many it bears a second.
     * a number from 0.05 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0.05,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many it bears a second.
     * @param value a number from 0.05 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** Hail that bounces twice before it lies still. */
export const HailfallEffect = {
    /** Its name. */
    EFFECT: "hailfall",
    /**
     * How big the stones are.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the stones are.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many it bears a second.
     * a number from 0.05 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0.05,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many it bears a second.
     * @param value a number from 0.05 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
    /**
     * How big the hailstones are.
     * pea, marble or plum, usually pea.
     */
    STONES: "stones",
    /**
     * How big the hailstones are.
     * @param value pea, marble or plum, usually pea.
     */
    setStones(bell: Bell, instance: number, value: HailfallStones): void {
        bell.set(instance, "stones", value);
    },
} as const;

/** Snow that sways down and settles. */
export const SnowfallEffect = {
    /** Its name. */
    EFFECT: "snowfall",
    /**
     * How big the flakes are.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the flakes are.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many it bears a second.
     * a number from 0.05 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0.05,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many it bears a second.
     * @param value a number from 0.05 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;

/** The hot line comes to rest. */
export const LineHissEffect = {
    /** Its name. */
    EFFECT: "line hiss",
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * a number from 0.25 to 3 ×, usually 1.
     */
    SIZE: "size",
    /** The default of size. */
    SIZE_DEFAULT: 1,
    /** The least of size. */
    SIZE_LEAST: 0.25,
    /** The most of size. */
    SIZE_MOST: 3,
    /**
     * How big the whole answer is: every length, speed and pull grows with it.
     * @param value a number from 0.25 to 3 ×, usually 1.
     */
    setSize(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "size", value);
    },
    /**
     * How many pieces it throws.
     * a number from 0 to 4 ×, usually 1.
     */
    AMOUNT: "amount",
    /** The default of amount. */
    AMOUNT_DEFAULT: 1,
    /** The least of amount. */
    AMOUNT_LEAST: 0,
    /** The most of amount. */
    AMOUNT_MOST: 4,
    /**
     * How many pieces it throws.
     * @param value a number from 0 to 4 ×, usually 1.
     */
    setAmount(bell: Bell, instance: number, value: number): void {
        bell.set(instance, "amount", value);
    },
} as const;
