/// The demo business as Alcabala first sees it. Only started with alcabala.demo=true.
package alcabala.server.demo;
