package keel.app;

import keel.app.shell.CommandLine;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.modulith.Modulithic;

/** Starts Vigilant Keel; {@link CommandLine} reads what was asked for. */
@SpringBootApplication(proxyBeanMethods = false)
@Modulithic(systemName = "Vigilant Keel")
public class Keel {

    public static void main(String[] arguments) {
        CommandLine.run(Keel.class, arguments);
    }
}
