package bellrope.core.sim;

import java.util.List;

/** What the layers of one step cost, added up; they must have been asked to appear. */
public final class Tally {
    private int live;
    private float presence;
    private float painted;
    private boolean visible;
    private int drawCalls;
    private double cost;

    /** Takes in a step, in place of the one before. */
    public void of(List<Layer> layers) {
        live = 0;
        presence = 0;
        painted = 0;
        visible = false;
        drawCalls = 0;
        cost = 0;
        int lastKind = -1;
        for (int i = 0; i < layers.size(); i++) {
            Layer layer = layers.get(i);
            int count = layer.store().count();
            live += count;
            presence += (float) layer.presence();
            painted += (float) layer.painted();
            visible |= layer.visible();
            cost += count * layer.cost();
            if (layer.stretches() > 0) {
                int ribbon = FrameEncoder.RIBBON << 2 | layer.blend();
                drawCalls += ribbon == lastKind ? 0 : 1;
                lastKind = ribbon;
            }
            int kind = layer.sprite() << 2 | layer.blend();
            if (count > 0) {
                drawCalls += kind == lastKind ? 0 : 1;
                lastKind = kind;
            }
        }
    }

    public int live() {
        return live;
    }

    /** Returns ∑ opacity × area × luminance, square units. */
    public float presence() {
        return presence;
    }

    /** Returns the area of all pictures, square units. */
    public float painted() {
        return painted;
    }

    public boolean visible() {
        return visible;
    }

    /** Returns how many runs of one sprite and blend mode there are in draw order. */
    public int drawCalls() {
        return drawCalls;
    }

    /** Returns what a step costs, nanoseconds, see {@link Cost}. */
    public double cost() {
        return cost;
    }
}
