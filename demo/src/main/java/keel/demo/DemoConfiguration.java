package keel.demo;

import org.springframework.boot.autoconfigure.AutoConfiguration;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.ComponentScan;

/** Brings the invented shop and its instruments into the application, when the demo was asked for. */
@AutoConfiguration
@ConditionalOnProperty("keel.demo")
@ComponentScan
public class DemoConfiguration {}
