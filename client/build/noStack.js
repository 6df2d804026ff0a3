// In place of the router's stack of cards, which is made when the router is read and which no frame of this app shows.
exports.createNativeStackNavigator = () => ({ Navigator: () => null });
