package alcabala.accounting.party;

/// Somebody to speak to at a party. Text that is not known is empty.
///
/// @param role such as `accounts`, or empty
public record Contact(String name, String role, String email, String phone) {}
