package keel.app.standing;

/** Of what a meter counts. */
enum MeterScope {
    MACHINE,
    /** Since the Z axis was lubricated. */
    LUBRICATED,
    /** Since the plate was abraded or replaced. */
    ABRADED,
    LEVELLED,
    COMPONENT
}
