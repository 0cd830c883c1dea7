package bellrope.format.json;

import bellrope.core.effect.Look;

/** How a particle looks, as JSON, both ways. */
final class LookJson {
    private static final Kinds<Look.Frame> FRAME = Kinds.of("FrameChoice", "kind", k -> {
        var first = k.kind("first", Form.<Look.Frame.First>of("FirstFrame", f -> {
            var number = f.whole("number", Look.Frame.First::number)
                    .usual(0)
                    .always()
                    .within(Look.Frame.First.NUMBER)
                    .says("Which, from 0 on.");
            return v -> new Look.Frame.First(number.of(v));
        }));
        var random = k.kind("random", "RandomFrame", f -> v -> new Look.Frame.Random());
        var overLife = k.kind("over life", "OverLife", f -> v -> new Look.Frame.OverLife());
        var looping = k.kind("looping", Form.<Look.Frame.Looping>of("LoopingFrames", f -> {
            var perSecond = f.maybeNumber("perSecond", Look.Frame.Looping::perSecond)
                    .within(Look.Frame.Looping.PER_SECOND, "/s")
                    .says("How fast; as the sheet says if absent.");
            return v -> new Look.Frame.Looping(perSecond.of(v));
        }));
        return frame -> frame.match(first::write, random::write, overLife::write, looping::write);
    });

    private static final Kinds<Look.Posture> POSTURE = Kinds.of("Posture", "kind", k -> {
        var camera = k.kind("camera", "ToCamera", f -> v -> new Look.Posture.Camera());
        var flight = k.kind("flight", Form.<Look.Posture.Flight>of("AlongFlight", f -> {
            var stretch = f.number("stretch", Look.Posture.Flight::stretch)
                    .usual(0.0)
                    .always()
                    .within(Look.Posture.Flight.STRETCH, "s")
                    .says("Seconds of flight by which it is longer.");
            return v -> new Look.Posture.Flight(stretch.of(v));
        }));
        var surface = k.kind("surface", "OnSurface", f -> v -> new Look.Posture.Surface());
        var fixed = k.kind("fixed", Form.<Look.Posture.Fixed>of("FixedPosture", f -> {
            var normal = f.vector("normal", Look.Posture.Fixed::normal).says("Which way the picture faces.");
            return v -> new Look.Posture.Fixed(normal.of(v));
        }));
        return posture -> posture.match(camera::write, flight::write, surface::write, fixed::write);
    });

    static final Form<Look> LOOK = Form.of("Look", f -> {
        var sprite = f.name("sprite", Look::sprite).says("The picture of a particle.");
        var blend = f.set(
                        "blend",
                        Look::blend,
                        Notations.choice(
                                "Blend",
                                Look.Blend.class,
                                "W3C Compositing's source-over, lighter, screen and multiply."))
                .says("How it is laid over what is behind: alpha covers, additive adds light.");
        var order = f.choice("order", Look::order, Look.Order.class).says("Which particle lies on top of which.");
        var frame = f.set("frame", Look::frame, FRAME)
                .usual(new Look.Frame.First(0))
                .says("Which frame of a sheet; the first if absent.");
        var posture = f.set("posture", Look::posture, POSTURE)
                .usual(Look.Posture.CAMERA)
                .says("Which way the picture is turned; to the camera if absent.");
        var brightness = f.number("brightness", Look::brightness)
                .usual(1.0)
                .within(Look.BRIGHTNESS, "×")
                .says("Multiplies the colour in linear light: above 1 it glows beyond its own colour.");
        return v -> new Look(sprite.of(v), blend.of(v), order.of(v), frame.of(v), posture.of(v), brightness.of(v));
    });

    private LookJson() {}
}
