package keel.app.fleet;

import java.util.Optional;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/**
 * Instruments that can be read from here instead of typing what they show. A shop has none unless a {@link ToolCase} is
 * plugged in.
 */
@Component("instruments")
public class Instruments {

    private final Optional<ToolCase> tools;

    Instruments(ObjectProvider<ToolCase> tools) {
        this.tools = Optional.ofNullable(tools.getIfAvailable());
    }

    /** Whether there are any. */
    public boolean there() {
        return tools.isPresent();
    }

    /** The instruments laid to a machine; empty where none can measure it. */
    public Optional<MachineTools> at(String machine) {
        return tools.flatMap(t -> t.at(machine));
    }
}
