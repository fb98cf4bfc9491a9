/** Of what waits behind one press on a phone: the class it is hidden by as long as nobody pressed. */
export const WITH_TOOLS = 'max-lg:scripted:group-data-[tools=closed]/tools:hidden';
