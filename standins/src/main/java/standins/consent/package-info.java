/// Who may use Inkwell's API: its people sign in and let other programs in, or not (OAuth 2, authorization code with
/// PKCE). Start with ConsentConfiguration, then ConsentDesk.
package standins.consent;
