package keel.app.prints;

import java.util.List;

/**
 * One attempt at a job.
 *
 * @param number from 1
 * @param failure id of the failure that was logged for it, null if none
 * @param changed what was changed on the machine between the attempt before and this one
 */
public record Attempt(int number, RunView run, Long failure, List<String> changed) {}
