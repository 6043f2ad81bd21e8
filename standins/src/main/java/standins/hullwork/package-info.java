/// Hullwork, the work orders of the yard: its records, its arithmetic, its API. Start with HullworkApi.
package standins.hullwork;
