<x-message title="You are logged out">Nothing was changed. Copy what you have typed, then load the page again and log in.</x-message>
